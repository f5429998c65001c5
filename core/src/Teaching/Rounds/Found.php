<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * A plan found, and what it comes to.
 */
final readonly class Found
{
    /** @param  list<Program>  $plan  by meeting */
    public function __construct(public array $plan, public Outcome $outcome)
    {
    }
}
