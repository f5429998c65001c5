<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * An end of a rope: which way it lies from where it leaves the knot, as a direction of length 1, how far it is led, and
 * whether it goes on to a load or is a tail.
 */
final readonly class FreeEnd
{
    public function __construct(public float $x, public float $y, public float $z, public float $length, public bool $isLoaded)
    {
    }
}
