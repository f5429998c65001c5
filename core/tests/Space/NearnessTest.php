<?php

declare(strict_types=1);

use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\Projection;
use Compadre\Core\Space\Proof;
use Compadre\Core\Space\Reduction;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Topology\Fingerprint;

require_once __DIR__.'/Curves.php';

/** @return array{float, float, float} */
function somewhere(float $far = 2.0): array
{
    return [mt_rand(-1000, 1000) / 1000 * $far, mt_rand(-1000, 1000) / 1000 * $far, mt_rand(-1000, 1000) / 1000 * $far];
}

/** The slow way: by very many points of both. */
function sampledDistance(array $p, array $q, array $r, array $s): float
{
    $least = INF;
    for ($i = 0; $i <= 60; $i++) {
        for ($j = 0; $j <= 60; $j++) {
            $square = 0.0;
            foreach ([0, 1, 2] as $axis) {
                $square += ($p[$axis] + ($q[$axis] - $p[$axis]) * $i / 60 - $r[$axis] - ($s[$axis] - $r[$axis]) * $j / 60) ** 2;
            }
            $least = min($least, sqrt($square));
        }
    }

    return $least;
}

it('finds the distance of two segments that sampling finds', function (): void {
    mt_srand(11);
    for ($case = 0; $case < 300; $case++) {
        [$p, $q, $r, $s] = [somewhere(), somewhere(), somewhere(), somewhere()];
        // Parallel ones and bare points are among them.
        $case % 7 === 0 && $s = [$r[0] + $q[0] - $p[0], $r[1] + $q[1] - $p[1], $r[2] + $q[2] - $p[2]];
        $case % 11 === 0 && $q = $p;
        [$distance, $along, $beside] = Nearness::between($p, $q, $r, $s);
        expect($distance)->toBeLessThanOrEqual(sampledDistance($p, $q, $r, $s) + 1e-9)->toBeGreaterThan(sampledDistance($p, $q, $r, $s) - 0.12);
        expect($along)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0)->and($beside)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual(1.0);
        $square = 0.0;
        foreach ([0, 1, 2] as $axis) {
            $square += ($p[$axis] + ($q[$axis] - $p[$axis]) * $along - $r[$axis] - ($s[$axis] - $r[$axis]) * $beside) ** 2;
        }
        expect(sqrt($square))->toEqualWithDelta($distance, 1e-9);
    }
});

it('takes no place of a rope for another that is hardly further along', function (): void {
    $straight = new SpaceStrand('a', false, array_map(static fn (int $k): array => [$k * 0.2, 0.0, 0.0], range(0, 40)));
    // Segments with more than 1.7 between them: the nearest are 1.8 apart.
    expect(Nearness::least([$straight]))->toEqualWithDelta(1.8, 1e-9);
    $beside = new SpaceStrand('b', false, array_map(static fn (array $point): array => [$point[0], 0.97, 0.0], $straight->points));
    expect(Nearness::least([$straight, $beside]))->toEqualWithDelta(0.97, 1e-9);
    foreach (Nearness::contacts([$straight, $beside]) as $contact) {
        expect([$contact->a, $contact->b])->toBe([0, 1])->and(abs($contact->s - $contact->t))->toBeLessThan(0.5);
    }
});

it('spreads points evenly, and keeps ends where they are', function (): void {
    mt_srand(3);
    for ($case = 0; $case < 100; $case++) {
        $strand = new SpaceStrand('a', $case % 2 === 0, array_map(static fn (): array => somewhere(), range(1, 12)));
        $even = $strand->resampled(400);
        expect($even->points)->toHaveCount(400)->and($even->points[0])->toBe($strand->points[0])->and($even->length())->toEqualWithDelta($strand->length(), 0.05 * $strand->length());
        $case % 2 === 1 && expect($even->points[399])->toBe($strand->points[11]);
    }
});

it('knows how far a place is from a bar and from a ring', function (): void {
    $bar = new Solid(StrandKind::Pole, [0.0, 0.0, 0.0], [10.0, 0.0, 0.0], 2.0);
    expect($bar->distance([5.0, 3.0, 0.0]))->toEqualWithDelta(1.0, 1e-9)->and($bar->distance([5.0, 0.0, 0.5]))->toEqualWithDelta(-1.5, 1e-9)->and($bar->distance([13.0, 0.0, 0.0]))->toEqualWithDelta(3.0, 1e-9);
    $ring = new Solid(StrandKind::Ring, [-4.0, 0.0, 0.0], [4.0, 0.0, 0.0], 0.5);
    expect($ring->distance([0.0, 0.0, 0.0]))->toEqualWithDelta(3.5, 1e-9)->and($ring->distance([0.0, 4.0, 1.0]))->toEqualWithDelta(0.5, 1e-9);
});

it('sees the same knot from every side, with many points and with few', function (): void {
    mt_srand(7);
    $seen = [];
    for ($case = 0; $case < 150; $case++) {
        $points = array_map(static fn (): array => somewhere(), range(1, 9));
        $closed = [new SpaceStrand('0', true, $points)];
        $few = Reduction::of($closed);
        expect(count($few[0]->points))->toBeLessThanOrEqual(9);
        $keys = [];
        foreach ([somewhere(), somewhere(), somewhere()] as $side) {
            // The slow way: nothing left out, from any side.
            $keys[] = Fingerprint::of(Projection::code($closed, $side))->sums['']->key();
        }
        array_push($keys, ...Proof::marks($closed));
        expect(array_unique($keys))->toHaveCount(1);
        $seen[$keys[0]] = true;
    }
    // Some of so many are knotted.
    expect(count($seen))->toBeGreaterThan(1);
});

it('tells knots and their mirror images apart', function (): void {
    $mirrored = static fn (SpaceStrand $strand): SpaceStrand => new SpaceStrand($strand->id, true, array_map(static fn (array $point): array => [-$point[0], $point[1], $point[2]], $strand->points));
    $trefoil = torusKnot(2, 3, 60);
    expect(array_unique(Proof::marks([$trefoil])))->toHaveCount(1)->not->toBe(array_unique(Proof::marks([$mirrored($trefoil)])));
    // A torus knot is the same whichever way round it is taken; the figure eight is its own mirror image.
    expect(Proof::marks([torusKnot(3, 2, 60)]))->toBe(Proof::marks([$trefoil]));
    expect(Proof::marks([$mirrored(figureEightCurve(80))]))->toBe(Proof::marks([figureEightCurve(80)]))->not->toBe(Proof::marks([$trefoil]));
    // The bracket of the trefoil, freed of its twists: A^-4 + A^-12 - A^-16 or its mirror image, times that of a circle.
    $jones = static fn (array $marks): array => array_values(array_unique($marks));
    expect($jones(Proof::marks([$trefoil]))[0])->toBeIn(['-18:1,-10:-1,-6:-1,-2:-1', '2:-1,6:-1,10:-1,18:1']);
});
