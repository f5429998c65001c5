<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Slides turns together along the bar they lie on, a little at a time, as a hand does before the knot is set.
 */
final readonly class Gathering implements Touch
{
    /** From the surface to the middle of a rope that lies on it. */
    private const LIES_ON = 0.7;

    private const STEP = 0.005;

    public function __construct(private Solid $bar)
    {
    }

    public function move(array $was, array $pairs, array &$x, array &$y, array &$z): void
    {
        $bar = $this->bar;
        $u = $bar->way();
        $along = [];
        foreach ($x as $i => $px) {
            if ($bar->distance([$px, $y[$i], $z[$i]]) < self::LIES_ON) {
                $along[$i] = ($px - $bar->from[0]) * $u[0] + ($y[$i] - $bar->from[1]) * $u[1] + ($z[$i] - $bar->from[2]) * $u[2];
            }
        }
        $middle = $along === [] ? 0.0 : array_sum($along) / count($along);
        foreach ($along as $i => $at) {
            $by = max(-self::STEP, min(self::STEP, $middle - $at));
            $x[$i] += $by * $u[0];
            $y[$i] += $by * $u[1];
            $z[$i] += $by * $u[2];
        }
    }
}
