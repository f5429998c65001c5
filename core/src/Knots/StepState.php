<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * What lies there when a step is done: how much of each rope (length from its standing end, in rope widths), and
 * which stretch of it the step moved. Of a rope tied doubled the far side lies there too, from a length onward.
 */
final readonly class StepState
{
    /**
     * @param  array<string, float>  $reach  by rope
     * @param  array<string, array{float, float}>  $moved  by rope, only ropes that moved
     * @param  array<string, array{float, float}>  $far  by rope tied doubled: where its far side begins, before the step and after it
     */
    public function __construct(public StepPlan $plan, public array $reach, public array $moved, public array $far = [])
    {
    }

    /** @return array<string, float> where the far sides of bights begin when the step is done */
    public function farNow(): array
    {
        return array_map(static fn (array $span): float => $span[1], $this->far);
    }
}
