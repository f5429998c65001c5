<?php

declare(strict_types=1);

use Compadre\Core\Drawing\Lay;
use Compadre\Core\Drawing\Palette;
use Compadre\Core\Drawing\SpaceWriter;
use Compadre\Core\Drawing\Turn;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;

/** A method of two ropes, whose strands the drawn ones are taken for. */
function twoRopes(): Method
{
    return Library::at(dirname(__DIR__, 3).'/packs')->knot('sheet-bend')->methods[0];
}

/**
 * What is painted, in the order it is.
 *
 * @return list<array{points: list<array{float, float}>, stroke: string, width: float}>
 */
function strokesOf(string $svg): array
{
    preg_match_all('#<path d="([^"]+)" stroke="([^"]+)" stroke-width="([^"]+)"#', $svg, $all, PREG_SET_ORDER);

    return array_map(static fn (array $one): array => [
        'points' => array_map(static fn (string $pair): array => array_map(floatval(...), explode(' ', $pair)), preg_split('/[ML]/', $one[1], -1, PREG_SPLIT_NO_EMPTY)),
        'stroke' => $one[2], 'width' => (float) $one[3],
    ], $all);
}

/** How far a place is from a line of points that ends square, in the plane of the picture. */
function besideLine(array $place, array $points): float
{
    $least = INF;
    for ($k = 1; $k < count($points); $k++) {
        [$ax, $ay] = $points[$k - 1];
        [$dx, $dy] = [$points[$k][0] - $ax, $points[$k][1] - $ay];
        $square = $dx ** 2 + $dy ** 2;
        $share = $square > 0 ? (($place[0] - $ax) * $dx + ($place[1] - $ay) * $dy) / $square : 0.0;
        if ($k > 1 || $share >= 0) {
            $share = max(0.0, $k < count($points) - 1 ? min(1.0, $share) : $share);
            $least = $share > 1 ? $least : min($least, hypot($place[0] - $ax - $share * $dx, $place[1] - $ay - $share * $dy));
        }
    }

    return $least;
}

/** The colour that lies on top at a place, of those that are asked for. */
function topmost(array $strokes, array $place, array $colours): ?string
{
    $top = null;
    foreach ($strokes as $one) {
        if (in_array($one['stroke'], $colours, true) && besideLine($place, $one['points']) < $one['width'] / 2) {
            $top = $one['stroke'];
        }
    }

    return $top;
}

/** @return array{float, float, float} */
function aroundHere(float $far): array
{
    return [mt_rand(-1000, 1000) / 1000 * $far, mt_rand(-1000, 1000) / 1000 * $far, mt_rand(-1000, 1000) / 1000 * $far];
}

function straightRope(string $id, array $from, array $to): SpaceStrand
{
    $rope = new SpaceStrand($id, false, [$from, $to]);

    return $rope->resampled(max(4, (int) ceil($rope->length() / 0.2)));
}

it('has the nearer of two ropes hide the other, from any side', function (): void {
    mt_srand(61);
    $method = twoRopes();
    $palette = Palette::day();
    [$one, $two] = array_column($palette->ropes, 'body');
    $seen = 0;
    for ($case = 0; $case < 3000; $case++) {
        $ropes = [];
        foreach (array_slice($method->strands, 0, 2) as $strand) {
            $ropes[] = straightRope($strand->id, aroundHere(6.0), aroundHere(6.0));
        }
        $turn = new Turn(mt_rand(-180, 180), mt_rand(-90, 90));
        [$a, $b] = array_map(static fn (SpaceStrand $rope): array => array_map($turn->of(...), [$rope->points[0], $rope->points[count($rope->points) - 1]]), $ropes);
        // Where their middle lines cross in the picture, well inside both.
        $cross = ($a[1][0] - $a[0][0]) * ($b[1][1] - $b[0][1]) - ($a[1][1] - $a[0][1]) * ($b[1][0] - $b[0][0]);
        if (abs($cross) < 0.5) {
            continue;
        }
        $s = (($b[0][0] - $a[0][0]) * ($b[1][1] - $b[0][1]) - ($b[0][1] - $a[0][1]) * ($b[1][0] - $b[0][0])) / $cross;
        $t = (($b[0][0] - $a[0][0]) * ($a[1][1] - $a[0][1]) - ($b[0][1] - $a[0][1]) * ($a[1][0] - $a[0][0])) / $cross;
        $ofA = $a[0][2] + $s * ($a[1][2] - $a[0][2]);
        $ofB = $b[0][2] + $t * ($b[1][2] - $b[0][2]);
        $steep = max(abs($a[1][2] - $a[0][2]) / hypot($a[1][0] - $a[0][0], $a[1][1] - $a[0][1]), abs($b[1][2] - $b[0][2]) / hypot($b[1][0] - $b[0][0], $b[1][1] - $b[0][1]));
        // Whipped ends are of another colour; ropes do not lie in each other; of one that is seen nearly end on a piece is as deep as it is long.
        if (min($s, $t) < 0.25 || max($s, $t) > 0.75 || min($ropes[0]->length(), $ropes[1]->length()) < 4 || Nearness::least($ropes) < 1.0 || $steep > 2) {
            continue;
        }
        $strokes = strokesOf((new SpaceWriter($palette, Lay::Laid))->write($method, $ropes, [], $turn, 'Two ropes'));
        $place = [$a[0][0] + $s * ($a[1][0] - $a[0][0]), $a[0][1] + $s * ($a[1][1] - $a[0][1])];
        expect(topmost($strokes, $place, [$one, $two]))->toBe($ofA > $ofB ? $one : $two, "case $case");
        $seen++;
    }
    expect($seen)->toBeGreaterThan(40);
});

it('has wood hide what is behind it, and be hidden by what is before it', function (): void {
    $method = twoRopes();
    $palette = Palette::day();
    $rope = $palette->ropes[0]['body'];
    $pole = new Solid(StrandKind::Pole, [0.0, -4.0, 0.0], [0.0, 4.0, 0.0], 1.0);
    foreach ([2.0, -2.0] as $z) {
        foreach ([[0.0, 0.0], [180.0, 0.0], [20.0, 15.0], [-25.0, -10.0], [160.0, 12.0]] as [$yaw, $pitch]) {
            $turn = new Turn($yaw, $pitch);
            $across = straightRope($method->strands[0]->id, [-4.0, 0.0, $z], [4.0, 0.0, $z]);
            $strokes = strokesOf((new SpaceWriter($palette))->write($method, [$across], [$pole], $turn, 'Rope and pole'));
            // Where the rope's line crosses the pole's in the picture.
            [$from, $to] = array_map($turn->of(...), [$across->points[0], $across->points[count($across->points) - 1]]);
            [$foot, $top] = array_map($turn->of(...), [$pole->from, $pole->to]);
            $cross = ($to[0] - $from[0]) * ($top[1] - $foot[1]) - ($to[1] - $from[1]) * ($top[0] - $foot[0]);
            $s = (($foot[0] - $from[0]) * ($top[1] - $foot[1]) - ($foot[1] - $from[1]) * ($top[0] - $foot[0])) / $cross;
            $place = [$from[0] + $s * ($to[0] - $from[0]), $from[1] + $s * ($to[1] - $from[1])];
            $isNear = $turn->of([0.0, 0.0, $z])[2] > 0;
            expect(topmost($strokes, $place, [$rope, $palette->wood]))->toBe($isNear ? $rope : $palette->wood, "z $z, turned $yaw and $pitch");
        }
    }
});

it('leaves room round all it draws, and is as large as its ropes in whatever step', function (): void {
    mt_srand(62);
    $method = twoRopes();
    for ($case = 0; $case < 60; $case++) {
        $whole = array_map(static fn (int $n): SpaceStrand => straightRope($method->strands[$n]->id, aroundHere(4.0), aroundHere(4.0)), [0, 1]);
        $turn = new Turn(mt_rand(-180, 180), mt_rand(-90, 90));
        $writer = new SpaceWriter(Palette::handout());
        $svg = $writer->write($method, $whole, [], $turn, 'A & B');
        expect(simplexml_load_string($svg))->not->toBeFalse()->and($svg)->toContain('<title>A &amp; B</title>');
        preg_match('#viewBox="([^"]+)"#', $svg, $box);
        [$x, $y, $width, $height] = array_map(floatval(...), explode(' ', $box[1]));
        $edges = [[], [], [], []];
        foreach (strokesOf($svg) as ['points' => $points, 'width' => $wide]) {
            foreach ($points as [$px, $py]) {
                foreach ([$px - $wide / 2, $py - $wide / 2, $px + $wide / 2, $py + $wide / 2] as $edge => $at) {
                    $edges[$edge][] = $at;
                }
            }
        }
        expect(min($edges[0]))->toBeGreaterThanOrEqual($x)->and(max($edges[2]))->toBeLessThanOrEqual($x + $width);
        expect(min($edges[1]))->toBeGreaterThanOrEqual($y)->and(max($edges[3]))->toBeLessThanOrEqual($y + $height);
        // An early step of it stands in the same frame.
        preg_match('#viewBox="([^"]+)"#', $writer->write($method, [$whole[0]->part(0.0, 0.4)], [], $turn, 'Step 1', $whole), $early);
        expect($early[1])->toBe($box[1]);
    }
});

it('turns what it sees: to the right by yaw, its top toward one by pitch, and nothing grows', function (): void {
    expect((new Turn(90, 0))->of([0.0, 0.0, 1.0]))->toEqualWithDelta([1.0, 0.0, 0.0], 1e-12);
    expect((new Turn(0, 90))->of([0.0, 1.0, 0.0]))->toEqualWithDelta([0.0, 0.0, 1.0], 1e-12);
    expect((new Turn(0, 0))->of([1.0, 2.0, 3.0]))->toEqualWithDelta([1.0, -2.0, 3.0], 1e-12);
    mt_srand(63);
    for ($case = 0; $case < 300; $case++) {
        $turn = new Turn(mt_rand(-180, 180), mt_rand(-90, 90));
        [$a, $b] = [aroundHere(5.0), aroundHere(5.0)];
        [$c, $d] = [$turn->of($a), $turn->of($b)];
        expect(hypot(hypot($c[0] - $d[0], $c[1] - $d[1]), $c[2] - $d[2]))->toEqualWithDelta(hypot(hypot($a[0] - $b[0], $a[1] - $b[1]), $a[2] - $b[2]), 1e-9);
    }
});
