<?php

declare(strict_types=1);

use Compadre\Core\Space\SpaceStrand;

/** A torus knot by its usual formula: p times round the long way while q times round the short one. */
function torusKnot(int $p, int $q, int $points): SpaceStrand
{
    return curve($points, static fn (float $t): array => [(3 + 1.2 * cos($q * $t)) * cos($p * $t), (3 + 1.2 * cos($q * $t)) * sin($p * $t), 1.2 * sin($q * $t)]);
}

/** The figure eight by its usual formula. */
function figureEightCurve(int $points): SpaceStrand
{
    return curve($points, static fn (float $t): array => [(2 + cos(2 * $t)) * cos(3 * $t), (2 + cos(2 * $t)) * sin(3 * $t), sin(4 * $t)]);
}

/** The knot 5_2 as a Lissajous curve. */
function fiveTwoCurve(int $points): SpaceStrand
{
    return curve($points, static fn (float $t): array => [3 * cos(3 * $t + 0.7), 3 * cos(2 * $t + 0.2), 3 * cos(7 * $t)]);
}

/** @return list<SpaceStrand> */
function hopfLink(int $points): array
{
    return [
        curve($points, static fn (float $t): array => [3 * cos($t), 3 * sin($t), 0.3 * sin(3 * $t)], '0'),
        curve($points, static fn (float $t): array => [3 + 2.5 * cos($t), 0.2 * cos(2 * $t), 2.5 * sin($t)], '1'),
    ];
}

/** @param  callable(float): array{float, float, float}  $at */
function curve(int $points, callable $at, string $id = '0'): SpaceStrand
{
    return new SpaceStrand($id, true, array_map(static fn (int $k): array => $at(2 * M_PI * $k / $points), range(0, $points - 1)));
}

/** A bad start: the same curve with waves on it, as large as it bears. */
function wavy(SpaceStrand $curve, float $high, int $seed): SpaceStrand
{
    mt_srand($seed);
    $count = count($curve->points);
    $points = $curve->points;
    foreach ([2, 3, 5, 7] as $waves) {
        $shifts = [mt_rand(0, 628) / 100, mt_rand(0, 628) / 100, mt_rand(0, 628) / 100];
        foreach ($points as $k => $point) {
            foreach ([0, 1, 2] as $axis) {
                $points[$k][$axis] += $high * sin($waves * 2 * M_PI * $k / $count + $shifts[$axis]);
            }
        }
    }

    return new SpaceStrand($curve->id, true, $points);
}
