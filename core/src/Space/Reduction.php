<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Closed lines by as few points as they can have without passing through anything: a point is left out where no segment runs
 * through the triangle it makes with its neighbours (K. Koniaris and M. Muthukumar, "Knottedness in ring polymers", 1991). What
 * is left is the same knot and has few crossings.
 */
final class Reduction
{
    /** A segment this near to a triangle counts as running through it. */
    private const NEAR = 1e-7;

    /**
     * @param  list<SpaceStrand>  $strands  closed
     * @return list<SpaceStrand>
     */
    public static function of(array $strands): array
    {
        $lines = array_map(static fn (SpaceStrand $strand): array => $strand->points, $strands);
        do {
            $left = 0;
            foreach (array_keys($lines) as $number) {
                for ($k = 0; $k < count($lines[$number]) && count($lines[$number]) > 3; $k++) {
                    if (self::isFree($lines, $number, $k)) {
                        array_splice($lines[$number], $k, 1);
                        $left++;
                    }
                }
            }
        } while ($left > 0);

        return array_map(static fn (SpaceStrand $strand, array $points): SpaceStrand => new SpaceStrand($strand->id, true, $points), $strands, $lines);
    }

    /** @param  array<int, list<array{float, float, float}>>  $lines */
    private static function isFree(array $lines, int $number, int $k): bool
    {
        $own = $lines[$number];
        $all = count($own);
        $before = ($k + $all - 1) % $all;
        $after = ($k + 1) % $all;
        [$ax, $ay, $az] = $own[$before];
        [$bx, $by, $bz] = $own[$k];
        [$cx, $cy, $cz] = $own[$after];
        $low = [min($ax, $bx, $cx), min($ay, $by, $cy), min($az, $bz, $cz)];
        $high = [max($ax, $bx, $cx), max($ay, $by, $cy), max($az, $bz, $cz)];
        foreach ($lines as $other => $points) {
            $count = count($points);
            for ($m = 0; $m < $count; $m++) {
                $n = $m + 1 === $count ? 0 : $m + 1;
                if ($other === $number && ($m === $before || $m === $k)) {
                    continue;
                }
                [$px, $py, $pz] = $points[$m];
                [$qx, $qy, $qz] = $points[$n];
                if (($px < $low[0] && $qx < $low[0]) || ($px > $high[0] && $qx > $high[0])
                    || ($py < $low[1] && $qy < $low[1]) || ($py > $high[1] && $qy > $high[1])
                    || ($pz < $low[2] && $qz < $low[2]) || ($pz > $high[2] && $qz > $high[2])) {
                    continue;
                }
                // A neighbour touches the triangle in a corner: only its other end tells.
                if ($other === $number && $n === $before) {
                    if (self::isBehind($own[$before], $own[$k], $own[$after], $points[$m])) {
                        return false;
                    }
                } elseif ($other === $number && $m === $after) {
                    if (self::isBehind($own[$after], $own[$k], $own[$before], $points[$n])) {
                        return false;
                    }
                } elseif (self::passes($points[$m], $points[$n], $own[$before], $own[$k], $own[$after])) {
                    return false;
                }
            }
        }

        return true;
    }

    /**
     * Whether a segment from a corner of a triangle lies in the triangle's plane and goes into it.
     *
     * @param  array{float, float, float}  $corner
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     * @param  array{float, float, float}  $end
     */
    private static function isBehind(array $corner, array $b, array $c, array $end): bool
    {
        $u = [$b[0] - $corner[0], $b[1] - $corner[1], $b[2] - $corner[2]];
        $v = [$c[0] - $corner[0], $c[1] - $corner[1], $c[2] - $corner[2]];
        $w = [$end[0] - $corner[0], $end[1] - $corner[1], $end[2] - $corner[2]];
        $n = Vector::cross($u, $v);
        $size = sqrt(Vector::dot($n, $n) * Vector::dot($w, $w));
        if ($size > 0 && abs(Vector::dot($n, $w)) > 1e-9 * $size) {
            return false;
        }

        return Vector::dot(Vector::cross($u, $w), $n) >= 0 && Vector::dot(Vector::cross($w, $v), $n) >= 0;
    }

    /**
     * Whether a segment runs through a triangle (T. Möller and B. Trumbore, 1997), with a little to spare.
     *
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     * @param  array{float, float, float}  $c
     */
    private static function passes(array $p, array $q, array $a, array $b, array $c): bool
    {
        $d = [$q[0] - $p[0], $q[1] - $p[1], $q[2] - $p[2]];
        $u = [$b[0] - $a[0], $b[1] - $a[1], $b[2] - $a[2]];
        $v = [$c[0] - $a[0], $c[1] - $a[1], $c[2] - $a[2]];
        $h = Vector::cross($d, $v);
        $det = Vector::dot($u, $h);
        if (abs($det) < 1e-12) {
            // In the plane of the triangle, or the triangle is none: it is left alone where it might be touched.
            $n = Vector::cross($u, $v);
            $w = [$p[0] - $a[0], $p[1] - $a[1], $p[2] - $a[2]];

            return abs(Vector::dot($n, $w)) < 1e-9 && Vector::dot($n, $n) > 1e-18;
        }
        $s = [$p[0] - $a[0], $p[1] - $a[1], $p[2] - $a[2]];
        $first = Vector::dot($s, $h) / $det;
        $r = Vector::cross($s, $u);
        $second = Vector::dot($d, $r) / $det;
        $along = Vector::dot($v, $r) / $det;

        return $first > -self::NEAR && $second > -self::NEAR && $first + $second < 1 + self::NEAR && $along > -self::NEAR && $along < 1 + self::NEAR;
    }
}
