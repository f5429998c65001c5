<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * How near strands come to each other and to themselves: the distance between segments of different places. Segments of one
 * strand are of one place as long as no more than 1.7 diameters of it lie between them, which is half a turn as tight as a
 * rope can make it.
 */
final class Nearness
{
    /** How far apart along one strand two segments are of different places, in diameters. */
    public const APART = 1.7;

    /**
     * The smallest distance between segments of different places.
     *
     * @param  list<SpaceStrand>  $strands
     * @param  float  $diameter  what counts as 1 along the strand
     */
    public static function least(array $strands, float $diameter = 1.0): float
    {
        $least = INF;
        $segments = self::segments($strands);
        foreach ($segments as $a => $one) {
            for ($b = $a + 1, $most = count($segments); $b < $most; $b++) {
                $two = $segments[$b];
                if (self::mayBeNearer($one, $two, $least) && self::arePlacesApart($one, $two, self::APART * $diameter)) {
                    $least = min($least, self::between($one[0], $one[1], $two[0], $two[1])[0]);
                }
            }
        }

        return $least;
    }

    /**
     * Where strands press on each other: the nearest places of each touch, one for every diameter along a longer one.
     *
     * @param  list<SpaceStrand>  $strands
     * @return list<Contact> in the order of the places along the strands
     */
    public static function contacts(array $strands, float $within = Contact::WITHIN): array
    {
        $found = [];
        $segments = self::segments($strands);
        foreach ($segments as $a => $one) {
            for ($b = $a + 1, $most = count($segments); $b < $most; $b++) {
                $two = $segments[$b];
                if (! self::mayBeNearer($one, $two, $within) || ! self::arePlacesApart($one, $two, self::APART)) {
                    continue;
                }
                [$distance, $s, $t] = self::between($one[0], $one[1], $two[0], $two[1]);
                if ($distance < $within) {
                    $found[] = new Contact($one[2], $one[3] + $s * $one[4], $two[2], $two[3] + $t * $two[4], $distance);
                }
            }
        }
        usort($found, static fn (Contact $x, Contact $y): int => [$x->distance, $x->a, $x->s, $x->b, $x->t] <=> [$y->distance, $y->a, $y->s, $y->b, $y->t]);
        $kept = [];
        foreach ($found as $contact) {
            foreach ($kept as $other) {
                if ($other->isBeside($contact)) {
                    continue 2;
                }
            }
            $kept[] = $contact;
        }
        usort($kept, static fn (Contact $x, Contact $y): int => [$x->a, $x->s, $x->b, $x->t] <=> [$y->a, $y->s, $y->b, $y->t]);

        return $kept;
    }

    /**
     * The distance of two segments, and the shares along them where they are nearest (C. Ericson, Real-Time Collision
     * Detection, 2005, 5.1.9).
     *
     * @param  array{float, float, float}  $p
     * @param  array{float, float, float}  $q
     * @param  array{float, float, float}  $r
     * @param  array{float, float, float}  $s
     * @return array{float, float, float}
     */
    public static function between(array $p, array $q, array $r, array $s): array
    {
        $ux = $q[0] - $p[0];
        $uy = $q[1] - $p[1];
        $uz = $q[2] - $p[2];
        $vx = $s[0] - $r[0];
        $vy = $s[1] - $r[1];
        $vz = $s[2] - $r[2];
        $wx = $p[0] - $r[0];
        $wy = $p[1] - $r[1];
        $wz = $p[2] - $r[2];
        $a = $ux * $ux + $uy * $uy + $uz * $uz;
        $e = $vx * $vx + $vy * $vy + $vz * $vz;
        $f = $vx * $wx + $vy * $wy + $vz * $wz;
        $c = $ux * $wx + $uy * $wy + $uz * $wz;
        $b = $ux * $vx + $uy * $vy + $uz * $vz;
        $spread = $a * $e - $b * $b;
        $along = $spread > 1e-12 * $a * $e ? max(0.0, min(1.0, ($b * $f - $c * $e) / $spread)) : 0.0;
        $t = $e > 0 ? ($b * $along + $f) / $e : 0.0;
        if ($t < 0) {
            $t = 0.0;
            $along = $a > 0 ? max(0.0, min(1.0, -$c / $a)) : 0.0;
        } elseif ($t > 1) {
            $t = 1.0;
            $along = $a > 0 ? max(0.0, min(1.0, ($b - $c) / $a)) : 0.0;
        }
        $x = $wx + $along * $ux - $t * $vx;
        $y = $wy + $along * $uy - $t * $vy;
        $z = $wz + $along * $uz - $t * $vz;

        return [sqrt($x * $x + $y * $y + $z * $z), $along, $t];
    }

    /**
     * @param  list<SpaceStrand>  $strands
     * @return list<array{array{float, float, float}, array{float, float, float}, int, float, float, ?float}> both points, strand,
     *                                                                                                         length up to it, own length, whole length where it is closed
     */
    private static function segments(array $strands): array
    {
        $segments = [];
        foreach ($strands as $number => $strand) {
            $gone = 0.0;
            $all = count($strand->points);
            $whole = $strand->closed ? $strand->length() : null;
            for ($k = 0, $most = $strand->segments(); $k < $most; $k++) {
                $from = $strand->points[$k];
                $to = $strand->points[($k + 1) % $all];
                $length = Vector::distance($from, $to);
                $segments[] = [$from, $to, $number, $gone, $length, $whole];
                $gone += $length;
            }
        }

        return $segments;
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}, int, float, float, ?float}  $one
     * @param  array{array{float, float, float}, array{float, float, float}, int, float, float, ?float}  $two  a later one
     */
    private static function arePlacesApart(array $one, array $two, float $apart): bool
    {
        if ($one[2] !== $two[2]) {
            return true;
        }
        $between = $two[3] - $one[3] - $one[4];
        $round = $one[5] === null ? INF : $one[5] - ($two[3] + $two[4]) + $one[3];

        return min($between, $round) > $apart;
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}, int, float, float, ?float}  $one
     * @param  array{array{float, float, float}, array{float, float, float}, int, float, float, ?float}  $two
     */
    private static function mayBeNearer(array $one, array $two, float $than): bool
    {
        $reach = $than + $one[4] + $two[4];
        $x = $one[0][0] - $two[0][0];
        $y = $one[0][1] - $two[0][1];
        $z = $one[0][2] - $two[0][2];

        return $x * $x + $y * $y + $z * $z < $reach * $reach;
    }
}
