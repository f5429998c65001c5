<?php

declare(strict_types=1);

namespace Compadre\Core\Drawing;

/**
 * The side that something in space is seen from: turned to the right, then its top toward one.
 */
final readonly class Turn
{
    private float $yaw;

    private float $pitch;

    /** Both in degrees. */
    public function __construct(float $yaw, float $pitch)
    {
        $this->yaw = deg2rad($yaw);
        $this->pitch = deg2rad($pitch);
    }

    /**
     * @param  array{float, float, float}  $point  y up
     * @return array{float, float, float} x to the right, y down, z toward the eye
     */
    public function of(array $point): array
    {
        $x = $point[0] * cos($this->yaw) + $point[2] * sin($this->yaw);
        $z = -$point[0] * sin($this->yaw) + $point[2] * cos($this->yaw);

        return [$x, $z * sin($this->pitch) - $point[1] * cos($this->pitch), $point[1] * sin($this->pitch) + $z * cos($this->pitch)];
    }
}
