<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * The chance, 0 to 1, that a knot was still known on a day, and whether it was.
 */
final readonly class Prediction
{
    public function __construct(public string $day, public float $chance, public bool $known)
    {
    }
}
