<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * The order in which crossings are taken in so that the frontier stays narrow: from each of several starts, always the
 * crossing with the most edges on the frontier; the cheapest of these orders is kept.
 */
final readonly class ContractionOrder
{
    private const STARTS = 24;

    /**
     * @param  list<int>  $crossings
     * @param  float  $cost frontier states summed over all crossings: a frontier of 2n open edges has Catalan(n) of them
     */
    private function __construct(public array $crossings, public float $cost)
    {
    }

    public static function of(Tangle $tangle): self
    {
        $count = count($tangle->crossings);
        $best = null;
        $step = max(1, intdiv($count, self::STARTS));
        for ($start = 0; $start < $count; $start += $step) {
            $order = self::from($tangle, $start, $best === null ? INF : $best->cost);
            if ($order !== null) {
                $best = $order;
            }
        }

        return $best ?? new self([], 0.0);
    }

    private static function from(Tangle $tangle, int $start, float $bound): ?self
    {
        $left = $tangle->crossings;
        $open = [];
        $order = [];
        $cost = 0.0;
        $next = $start;
        while (true) {
            foreach ($left[$next] as $edge) {
                if (isset($open[$edge])) {
                    unset($open[$edge]);
                } else {
                    $open[$edge] = true;
                }
            }
            unset($left[$next]);
            $order[] = $next;
            $cost += self::catalan(intdiv(count($open), 2));
            if ($cost >= $bound) {
                return null;
            }
            if ($left === []) {
                return new self($order, $cost);
            }
            $next = self::mostOpen($left, $open);
        }
    }

    /**
     * @param  non-empty-array<int, array{int, int, int, int}>  $left
     * @param  array<int, true>  $open
     */
    private static function mostOpen(array $left, array $open): int
    {
        $most = -1;
        $best = (int) array_key_first($left);
        foreach ($left as $number => $edges) {
            $count = 0;
            foreach ($edges as $edge) {
                $count += isset($open[$edge]) ? 1 : 0;
            }
            if ($count > $most) {
                $most = $count;
                $best = $number;
            }
        }

        return $best;
    }

    private static function catalan(int $n): float
    {
        $value = 1.0;
        for ($k = 0; $k < $n; $k++) {
            $value *= 2 * (2 * $k + 1) / ($k + 2);
        }

        return $value;
    }
}
