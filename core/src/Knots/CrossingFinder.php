<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use WeakMap;

/**
 * Finds every place where centre lines meet: strand with strand, and each strand with itself. Curves are compared
 * as fine polygons; boxes around runs of them keep far parts from being compared at all.
 */
final class CrossingFinder
{
    /** @var ?WeakMap<Curve, list<array{int, int, array{float, float, float, float}}>> */
    private static ?WeakMap $runs = null;

    private const RUN = 10;

    /**
     * @param  list<Curve>  $curves
     * @return list<Meeting>
     */
    public static function find(array $curves): array
    {
        $found = [];
        for ($j = 0; $j < count($curves); $j++) {
            array_push($found, ...self::between($curves, $j));
        }
        usort($found, static fn (Meeting $a, Meeting $b): int => [$a->first, $a->firstAt] <=> [$b->first, $b->firstAt]);

        return $found;
    }

    /**
     * Where one curve meets itself and those before it.
     *
     * @param  list<Curve>  $curves
     * @return list<Meeting>
     */
    public static function between(array $curves, int $j): array
    {
        $runs = array_map(self::known(...), array_slice($curves, 0, $j + 1));
        $found = [];
        foreach ($curves as $i => $first) {
            if ($i <= $j) {
                foreach ($runs[$i] as [$startA, $endA, $boxA]) {
                    foreach ($runs[$j] as [$startB, $endB, $boxB]) {
                        if ($i === $j && $startB < $startA || ! self::touch($boxA, $boxB)) {
                            continue;
                        }
                        array_push($found, ...self::compare($i, $first, $startA, $endA, $boxA, $j, $curves[$j], $startB, $endB, $boxB));
                    }
                }
            }
        }

        return self::once($found);
    }

    /**
     * A crossing right at a corner of both polygons is met by up to four pairs of their sides; it is one crossing.
     *
     * @param  list<Meeting>  $found
     * @return list<Meeting>
     */
    private static function once(array $found): array
    {
        $kept = [];
        foreach ($found as $meeting) {
            foreach ($kept as $other) {
                if ($other->first === $meeting->first && $other->second === $meeting->second
                    && abs($other->firstAt - $meeting->firstAt) < 1e-4 && abs($other->secondAt - $meeting->secondAt) < 1e-4) {
                    continue 2;
                }
            }
            $kept[] = $meeting;
        }

        return $kept;
    }

    /**
     * @param  array{float, float, float, float}  $boxA  round the run of the first
     * @param  array{float, float, float, float}  $boxB
     * @return list<Meeting>
     */
    private static function compare(int $i, Curve $a, int $startA, int $endA, array $boxA, int $j, Curve $b, int $startB, int $endB, array $boxB): array
    {
        $found = [];
        $last = count($a->points) - 2;
        $near = [];
        for ($q = $startB; $q < $endB; $q++) {
            $near[$q] = self::reaches($b->points[$q], $b->points[$q + 1], $boxA);
        }
        for ($p = $startA; $p < $endA; $p++) {
            if (! self::reaches($a->points[$p], $a->points[$p + 1], $boxB)) {
                continue;
            }
            $from = $i === $j ? max($startB, $p + 2) : $startB;
            for ($q = $from; $q < $endB; $q++) {
                if (! $near[$q] || $i === $j && $a->closed && $p === 0 && $q === $last) {
                    continue;
                }
                $hit = self::hit($a->points[$p], $a->points[$p + 1], $b->points[$q], $b->points[$q + 1]);
                if ($hit === null) {
                    continue;
                }
                [$t, $u] = $hit;
                $found[] = new Meeting(
                    $i, $a->lengths[$p] + $t * ($a->lengths[$p + 1] - $a->lengths[$p]),
                    $j, $b->lengths[$q] + $u * ($b->lengths[$q + 1] - $b->lengths[$q]),
                    $a->points[$p]->towards($a->points[$p + 1], $t),
                );
            }
        }

        return $found;
    }

    /**
     * Whether a side, as boxed, comes as far as a run's box.
     *
     * @param  array{float, float, float, float}  $box
     */
    private static function reaches(Point $from, Point $to, array $box): bool
    {
        return min($from->x, $to->x) <= $box[2] && max($from->x, $to->x) >= $box[0] && min($from->y, $to->y) <= $box[3] && max($from->y, $to->y) >= $box[1];
    }

    /** @return ?array{float, float} the shares of the way, 0 to 1, at which two segments cross */
    private static function hit(Point $a, Point $b, Point $c, Point $d): ?array
    {
        $abx = $b->x - $a->x;
        $aby = $b->y - $a->y;
        $cdx = $d->x - $c->x;
        $cdy = $d->y - $c->y;
        $cross = $abx * $cdy - $aby * $cdx;
        if (abs($cross) < 1e-14) {
            return null;
        }
        $acx = $c->x - $a->x;
        $acy = $c->y - $a->y;
        $t = ($acx * $cdy - $acy * $cdx) / $cross;
        $u = ($acx * $aby - $acy * $abx) / $cross;

        return $t >= -1e-9 && $t <= 1 + 1e-9 && $u >= -1e-9 && $u <= 1 + 1e-9 ? [$t, $u] : null;
    }

    /**
     * The runs of a curve, boxed once: the same rope is held against many a line.
     *
     * @return list<array{int, int, array{float, float, float, float}}>
     */
    private static function known(Curve $curve): array
    {
        self::$runs ??= new WeakMap;

        return self::$runs[$curve] ??= self::runs($curve);
    }

    /** @return list<array{int, int, array{float, float, float, float}}> */
    private static function runs(Curve $curve): array
    {
        $runs = [];
        $segments = count($curve->points) - 1;
        for ($start = 0; $start < $segments; $start += self::RUN) {
            $end = min($start + self::RUN, $segments);
            $box = [INF, INF, -INF, -INF];
            for ($n = $start; $n <= $end; $n++) {
                $point = $curve->points[$n];
                $box = [min($box[0], $point->x), min($box[1], $point->y), max($box[2], $point->x), max($box[3], $point->y)];
            }
            $runs[] = [$start, $end, $box];
        }

        return $runs;
    }

    /**
     * @param  array{float, float, float, float}  $a
     * @param  array{float, float, float, float}  $b
     */
    private static function touch(array $a, array $b): bool
    {
        return $a[0] <= $b[2] && $b[0] <= $a[2] && $a[1] <= $b[3] && $b[1] <= $a[3];
    }
}
