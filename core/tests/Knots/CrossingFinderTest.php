<?php

declare(strict_types=1);

use Compadre\Core\Knots\CrossingFinder;
use Compadre\Core\Knots\Curve;
use Compadre\Core\Knots\Meeting;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\Spline;

/**
 * Every place where the polygons of two curves cross, side by side with no shortcut, by which side of each line the others' ends lie.
 *
 * @return list<array{int, float, int, float}>
 */
function crossingsOneByOne(Curve ...$curves): array
{
    $side = static fn (Point $a, Point $b, Point $c): float => ($b->x - $a->x) * ($c->y - $a->y) - ($b->y - $a->y) * ($c->x - $a->x);
    $found = [];
    foreach ($curves as $i => $one) {
        foreach ($curves as $j => $two) {
            for ($p = 0; $i <= $j && $p < count($one->points) - 1; $p++) {
                for ($q = $i === $j ? $p + 2 : 0; $q < count($two->points) - 1; $q++) {
                    if ($i === $j && $one->closed && $p === 0 && $q === count($two->points) - 2) {
                        continue;
                    }
                    [$a, $b, $c, $d] = [$one->points[$p], $one->points[$p + 1], $two->points[$q], $two->points[$q + 1]];
                    [$ofC, $ofD, $ofA, $ofB] = [$side($a, $b, $c), $side($a, $b, $d), $side($c, $d, $a), $side($c, $d, $b)];
                    if ($ofC * $ofD < 0 && $ofA * $ofB < 0) {
                        $t = $ofA / ($ofA - $ofB);
                        $u = $ofC / ($ofC - $ofD);
                        $found[] = [$i, $one->lengths[$p] + $t * $a->distance($b), $j, $two->lengths[$q] + $u * $c->distance($d)];
                    }
                }
            }
        }
    }
    usort($found, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

    return $found;
}

function tangle(int $points, bool $closed): Curve
{
    return Spline::through(array_map(static fn (): Point => new Point(mt_rand(0, 10_000) / 1000, mt_rand(0, 10_000) / 1000), range(1, $points)), $closed);
}

it('finds the crossings that holding each side against each other one finds', function (): void {
    mt_srand(51);
    $all = 0;
    for ($case = 0; $case < 120; $case++) {
        $curves = array_map(static fn (): Curve => tangle(mt_rand(4, 7), mt_rand(0, 1) === 1), range(1, mt_rand(1, 3)));
        $expected = crossingsOneByOne(...$curves);
        $found = array_map(static fn (Meeting $one): array => [$one->first, $one->firstAt, $one->second, $one->secondAt], CrossingFinder::find($curves));
        expect(array_map(static fn (array $one): array => [$one[0], round($one[1], 6), $one[2], round($one[3], 6)], $found))
            ->toEqualWithDelta(array_map(static fn (array $one): array => [$one[0], round($one[1], 6), $one[2], round($one[3], 6)], $expected), 2e-6);
        foreach (CrossingFinder::find($curves) as $one) {
            // It is on both curves.
            expect($curves[$one->first]->pointAt($one->firstAt)->distance($one->at))->toBeLessThan(1e-6);
            expect($curves[$one->second]->pointAt($one->secondAt)->distance($one->at))->toBeLessThan(1e-6);
        }
        $all += count($expected);
    }
    expect($all)->toBeGreaterThan(500);
});

it('finds the same where the curves come in another order, or the picture is turned over', function (): void {
    mt_srand(52);
    for ($case = 0; $case < 60; $case++) {
        $points = array_map(static fn (): array => array_map(static fn (): Point => new Point(mt_rand(0, 10_000) / 1000, mt_rand(0, 10_000) / 1000), range(1, 6)), range(1, 2));
        $both = array_map(static fn (array $one): Curve => Spline::through($one), $points);
        $over = array_map(static fn (array $one): Curve => Spline::through(array_map(static fn (Point $at): Point => new Point(-$at->x, $at->y), $one)), $points);
        $found = CrossingFinder::find($both);
        $counted = static fn (Meeting $one): array => [$one->first, round($one->firstAt, 5), $one->second, round($one->secondAt, 5)];
        expect(array_map($counted, CrossingFinder::find($over)))->toEqualWithDelta(array_map($counted, $found), 2e-5);
        $ofTwo = static fn (array $all): array => array_values(array_filter($all, static fn (Meeting $one): bool => $one->first !== $one->second));
        $places = array_map(static fn (Meeting $one): array => [round($one->at->x, 5), round($one->at->y, 5)], $ofTwo($found));
        $turned = array_map(static fn (Meeting $one): array => [round($one->at->x, 5), round($one->at->y, 5)], $ofTwo(CrossingFinder::find(array_reverse($both))));
        sort($places);
        sort($turned);
        expect($turned)->toEqualWithDelta($places, 2e-5);
    }
});
