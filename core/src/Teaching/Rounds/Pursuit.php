<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * A learner on the way to a badge.
 */
final readonly class Pursuit
{
    /**
     * @param  int  $by  the number, from 1, of the last meeting in time for a firm date: 0 where none is
     * @param  list<int>  $after  pursuits of the same learner that this badge comes after, and those they come after
     * @param  array<int, int>  $preferred  place among the leaders' preferences, by target
     */
    public function __construct(public int $learner, public string $badge, public Ask $ask, public int $by, public array $after = [], public array $preferred = [])
    {
    }
}
