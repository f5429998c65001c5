<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Two places of ropes that press on each other: strands by number, lengths along them and their distance, in diameters.
 */
final readonly class Contact
{
    /** Middle lines of ropes that touch are no further apart. */
    public const WITHIN = 1.06;

    public function __construct(public int $a, public float $s, public int $b, public float $t, public float $distance)
    {
    }

    /** Whether another contact is of the same touch. */
    public function isBeside(self $other): bool
    {
        return $this->a === $other->a && $this->b === $other->b && abs($this->s - $other->s) + abs($this->t - $other->t) < 2.0;
    }
}
