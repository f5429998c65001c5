<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Slides turns together along the bar they lie on, a little at a time, as a hand does before the knot is set.
 */
final class Gathering
{
    /** From the surface to the middle of a rope that lies on it. */
    private const LIES_ON = 0.7;

    private const STEP = 0.005;

    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     */
    public static function along(Solid $bar, array &$x, array &$y, array &$z): void
    {
        $length = max(1e-9, $bar->length());
        $u = [($bar->to[0] - $bar->from[0]) / $length, ($bar->to[1] - $bar->from[1]) / $length, ($bar->to[2] - $bar->from[2]) / $length];
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
