<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

use Compadre\Core\Refusal;

/**
 * Kauffman's bracket of a tangle: for every way in which its ends may be paired, a polynomial in A (L. H. Kauffman, "State
 * models and the Jones polynomial", Topology 26, 1987). Crossings are taken in one after the other; what is kept at each
 * moment is only how the open edges of the frontier are joined, so the work grows with the frontier's width and not with the
 * number of crossings.
 */
final class StateSum
{
    /** Work allowed: frontier states summed over all crossings. A state costs some tens of microseconds. */
    public const MOST = 400_000;

    /**
     * @return array<string, Laurent> by pairing, such as "a-b,c-d" in order of the alphabet; no pairing of a closed
     *                                diagram is "". One circle alone counts -A^2 - A^-2.
     *
     * @throws Refusal when the work estimated is more than is allowed
     */
    public static function of(Tangle $tangle): array
    {
        $order = ContractionOrder::of($tangle);
        if ($order->cost > self::MOST) {
            throw Refusal::of('/pd', count($tangle->crossings), 'topology.states', ['crossings' => count($tangle->crossings), 'cost' => sprintf('%.0f', $order->cost), 'most' => self::MOST]);
        }
        $states = ['' => [[], [0 => 1]]];
        foreach ($order->crossings as $number) {
            $states = self::absorb($states, $tangle->crossings[$number]);
        }

        return self::paired($states, $tangle);
    }

    /**
     * @param  array<string, array{array<int, int>, array<int, int>}>  $states how the frontier is joined, and the polynomial so far
     * @param  array{int, int, int, int}  $crossing
     * @return array<string, array{array<int, int>, array<int, int>}>
     */
    private static function absorb(array $states, array $crossing): array
    {
        [$i, $j, $k, $l] = $crossing;
        // A crossing is opened as A: first with second, third with fourth; and as 1/A: first with fourth, second with third.
        $openings = [[1, $i, $j, $k, $l], [-1, $i, $l, $j, $k]];
        // (-A^2 - A^-2) to the power of 0, 1 and 2, as pairs of exponent and coefficient.
        $powers = [[[0, 1]], [[2, -1], [-2, -1]], [[4, 1], [0, 2], [-4, 1]]];
        $next = [];
        foreach ($states as [$joined, $polynomial]) {
            foreach ($openings as [$shift, $a, $b, $c, $d]) {
                $now = $joined;
                $circles = self::join($now, $a, $b) + self::join($now, $c, $d);
                ksort($now);
                $key = implode(',', $now);
                $sum = $next[$key][1] ?? [];
                foreach ($polynomial as $exponent => $coefficient) {
                    foreach ($powers[$circles] as [$more, $factor]) {
                        $place = $exponent + $shift + $more;
                        $sum[$place] = Laurent::exact(($sum[$place] ?? 0) + $factor * $coefficient);
                    }
                }
                $next[$key] = [$now, $sum];
            }
        }

        return $next;
    }

    /**
     * Joins two edges; the number of circles that closes is 0 or 1.
     *
     * @param  array<int, int>  $joined
     */
    private static function join(array &$joined, int $p, int $q): int
    {
        if ($p === $q) {
            return 1;
        }
        $from = $joined[$p] ?? $p;
        $to = $joined[$q] ?? $q;
        unset($joined[$p], $joined[$q]);
        if ($from === $q) {
            return 1;
        }
        $joined[$from] = $to;
        $joined[$to] = $from;

        return 0;
    }

    /**
     * @param  array<string, array{array<int, int>, array<int, int>}>  $states
     * @return array<string, Laurent>
     */
    private static function paired(array $states, Tangle $tangle): array
    {
        $circle = Laurent::of([2 => -1, -2 => -1])->power($tangle->circles);
        $sums = [];
        foreach ($states as [$joined, $polynomial]) {
            $pairs = $tangle->bare;
            foreach ($joined as $p => $q) {
                if ($p < $q) {
                    $pairs[] = [$tangle->ends[$p], $tangle->ends[$q]];
                }
            }
            $value = Laurent::of($polynomial)->times($circle);
            if (! $value->isZero()) {
                $sums[Pairing::key($pairs)] = $value;
            }
        }
        ksort($sums);

        return $sums;
    }
}
