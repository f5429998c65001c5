<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

/**
 * The side that something in space is seen from: turned to the right, then its top toward one.
 */
final readonly class Turn
{
    /** Both in degrees. */
    public function __construct(public float $yaw = Look::SIDE['yaw'], public float $pitch = Look::SIDE['pitch'])
    {
    }

    /**
     * @param  array{float, float, float}  $point  y up
     * @return array{float, float, float} x to the right, y down, z toward the eye
     */
    public function of(array $point): array
    {
        $yaw = deg2rad($this->yaw);
        $pitch = deg2rad($this->pitch);
        $x = $point[0] * cos($yaw) + $point[2] * sin($yaw);
        $z = -$point[0] * sin($yaw) + $point[2] * cos($yaw);

        return [$x, $z * sin($pitch) - $point[1] * cos($pitch), $point[1] * sin($pitch) + $z * cos($pitch)];
    }
}
