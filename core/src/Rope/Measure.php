<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * What a tail was measured with, and how far that can be trusted.
 */
enum Measure: string
{
    case Millimetres = 'mm';
    case Gauge = 'gauge';
    case Finger = 'finger';
    case Diameters = 'diameters';

    /** A usual finger's width in mm, and what is taken for one. */
    public const FINGER = ['usual' => 16, 'min' => 5, 'max' => 40];

    /** How far off the measured value may be, in mm, for a value and a rope diameter in mm. */
    public function uncertainty(float $measured, float $diameter): float
    {
        return match ($this) {
            self::Millimetres, self::Gauge => 3.0,
            self::Finger => 0.2 * $measured,
            self::Diameters => $diameter,
        };
    }
}
