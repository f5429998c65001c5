<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * What lies there when a step is done: how much of each rope (length from its standing end, in rope widths), and
 * which stretch of it the step moved.
 */
final readonly class StepState
{
    /**
     * @param  array<string, float>  $reach  by rope
     * @param  array<string, array{float, float}>  $moved  by rope, only ropes that moved
     */
    public function __construct(public StepPlan $plan, public array $reach, public array $moved)
    {
    }
}
