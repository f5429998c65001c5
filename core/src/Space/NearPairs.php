<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Pairs of points of different places that lie near each other, found by a grid of cells.
 */
final class NearPairs
{
    /**
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     * @param  list<array{int, int, bool, string}>  $ropes  first and last point, whether closed, name
     * @param  float  $spacing  between points along a rope
     * @return array{list<int>, list<int>} the earlier and the later point of each pair
     */
    public static function of(array $x, array $y, array $z, array $ropes, float $spacing, float $within): array
    {
        $cells = [];
        $ropeOf = [];
        foreach ($ropes as $number => [$first, $last]) {
            for ($i = $first; $i <= $last; $i++) {
                $ropeOf[] = $number;
            }
        }
        $apart = (int) ceil(Nearness::APART / $spacing);
        $near = $within ** 2;
        $pairsA = [];
        $pairsB = [];
        foreach ($x as $i => $px) {
            $py = $y[$i];
            $pz = $z[$i];
            $cx = (int) floor($px / $within);
            $cy = (int) floor($py / $within);
            $cz = (int) floor($pz / $within);
            [$first, $last, $closed] = $ropes[$ropeOf[$i]];
            $all = $last - $first + 1;
            for ($u = $cx - 1; $u <= $cx + 1; $u++) {
                for ($v = $cy - 1; $v <= $cy + 1; $v++) {
                    for ($w = $cz - 1; $w <= $cz + 1; $w++) {
                        foreach ($cells[(($u + 5000) * 10000 + $v + 5000) * 10000 + $w + 5000] ?? [] as $j) {
                            $dx = $px - $x[$j];
                            $dy = $py - $y[$j];
                            $dz = $pz - $z[$j];
                            if ($dx * $dx + $dy * $dy + $dz * $dz >= $near) {
                                continue;
                            }
                            if ($ropeOf[$j] === $ropeOf[$i] && ($i - $j < $apart || ($closed && $all - ($i - $j) < $apart))) {
                                continue;
                            }
                            $pairsA[] = $j;
                            $pairsB[] = $i;
                        }
                    }
                }
            }
            $cells[(($cx + 5000) * 10000 + $cy + 5000) * 10000 + $cz + 5000][] = $i;
        }

        return [$pairsA, $pairsB];
    }

    /**
     * The smallest distance of two points that are a pair.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     * @param  list<int>  $a
     * @param  list<int>  $b
     * @return float at most 2
     */
    public static function least(array $x, array $y, array $z, array $a, array $b): float
    {
        $least = 4.0;
        foreach ($a as $k => $i) {
            $j = $b[$k];
            $dx = $x[$i] - $x[$j];
            $dy = $y[$i] - $y[$j];
            $dz = $z[$i] - $z[$j];
            $square = $dx * $dx + $dy * $dy + $dz * $dz;
            if ($square < $least) {
                $least = $square;
            }
        }

        return sqrt($least);
    }
}
