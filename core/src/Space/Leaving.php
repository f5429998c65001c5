<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Where a rope's end leaves the knot.
 */
final class Leaving
{
    /** Square of the distance at which two places touch. */
    private const TOUCHES = 1.7;

    /** Ropes that run more alike than this lie beside each other; they do not cross. */
    private const ACROSS = 0.85;

    /**
     * The point nearest to an end at which its rope lies across another place, or on an object.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     * @param  list<int>  $next  the point after each, -1 at an end
     * @param  array{list<int>, list<int>}  $pairs  points that lie near each other
     * @param  list<Solid>  $solids
     */
    public static function point(array $x, array $y, array $z, array $next, int $first, int $last, bool $isStart, array $pairs, array $solids): int
    {
        $best = $isStart ? $last : $first;
        foreach ($pairs[0] as $k => $i) {
            foreach ([[$i, $pairs[1][$k]], [$pairs[1][$k], $i]] as [$p, $q]) {
                if ($p >= $first && $p <= $last && ($isStart ? $p < $best : $p > $best)) {
                    $dx = $x[$p] - $x[$q];
                    $dy = $y[$p] - $y[$q];
                    $dz = $z[$p] - $z[$q];
                    if ($dx * $dx + $dy * $dy + $dz * $dz < self::TOUCHES && self::alike([$x, $y, $z], $next, $p, $q) < self::ACROSS) {
                        $best = $p;
                    }
                }
            }
        }
        foreach ($solids as $solid) {
            for ($p = $first; $p <= $last; $p++) {
                if (($isStart ? $p < $best : $p > $best) && $solid->distance([$x[$p], $y[$p], $z[$p]]) < 0.55) {
                    $best = $p;
                }
            }
        }

        return $best;
    }

    /**
     * How nearly the rope runs alike at two points: 1 alike, 0 across.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $places
     * @param  list<int>  $next
     */
    private static function alike(array $places, array $next, int $p, int $q): float
    {
        [$x, $y, $z] = $places;
        $a = $next[$p] < 0 ? $p - 1 : $p;
        $b = $next[$q] < 0 ? $q - 1 : $q;
        $u = [$x[$a + 1] - $x[$a], $y[$a + 1] - $y[$a], $z[$a + 1] - $z[$a]];
        $v = [$x[$b + 1] - $x[$b], $y[$b + 1] - $y[$b], $z[$b + 1] - $z[$b]];
        $lengths = sqrt(($u[0] ** 2 + $u[1] ** 2 + $u[2] ** 2) * ($v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2));

        return $lengths > 0 ? abs($u[0] * $v[0] + $u[1] * $v[1] + $u[2] * $v[2]) / $lengths : 1.0;
    }
}
