<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Rigs\Bundle;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Line;
use Compadre\Core\Rigs\Packed;
use Compadre\Core\Rigs\Tripod;
use Compadre\Core\Rope\Material;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/*
 * Bundles, lines, tripods and grip, held against building them up of many small pieces.
 */

/**
 * How long a band round circles is, from points all round each of them: their convex hull, edge by edge.
 *
 * @param  list<array{float, float, float}>  $circles  middle and radius
 */
function bandRound(array $circles): float
{
    $points = [];
    foreach ($circles as [$x, $y, $radius]) {
        for ($n = 0; $n < 3600; $n++) {
            $points[] = [$x + $radius * cos($n * M_PI / 1800), $y + $radius * sin($n * M_PI / 1800)];
        }
    }
    sort($points);
    $half = static function (array $points): array {
        $hull = [];
        foreach ($points as $point) {
            while (count($hull) > 1) {
                [$a, $b] = [$hull[count($hull) - 2], $hull[count($hull) - 1]];
                if (($b[0] - $a[0]) * ($point[1] - $a[1]) - ($b[1] - $a[1]) * ($point[0] - $a[0]) > 0) {
                    break;
                }
                array_pop($hull);
            }
            $hull[] = $point;
        }

        return $hull;
    };
    $hull = [...$half($points), ...array_slice($half(array_reverse($points)), 1)];
    $long = 0.0;
    foreach ($hull as $n => $point) {
        $next = $hull[$n + 1] ?? $hull[0];
        $long += hypot($next[0] - $point[0], $next[1] - $point[1]);
    }

    return $long;
}

it('has a band round two poles of any thickness as long as one laid round them', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(31));
    for ($case = 0; $case < 40; $case++) {
        [$first, $second, $rope] = [$random->getInt(10, 200), $random->getInt(10, 200), $random->getInt(2, 20)];
        // The middle of the rope runs half its thickness outside of them: as much longer as a circle of that is.
        $laid = bandRound([[0, 0, $first / 2], [($first + $second) / 2, 0, $second / 2]]) + M_PI * $rope;
        expect(Bundle::pair($first, $second, $rope))->toEqualWithDelta($laid, 2e-5 * $laid, "$first and $second");
    }
});

it('lays as many poles as there may be into their circle, none through another, and a band round them', function (): void {
    // 1 + 1 / sin(pi / n) for poles on a ring; two rings of six and twelve round one for 19 (Graham and others, 1998).
    $known = [1 => 1.0, 2 => 2.0, 3 => 1 + 2 / sqrt(3), 4 => 1 + sqrt(2), 5 => 1 + 1 / sin(M_PI / 5), 6 => 3.0, 7 => 3.0, 8 => 1 + 1 / sin(M_PI / 7), 9 => 1 + 1 / sin(M_PI / 8), 19 => 1 + sqrt(2) + sqrt(6)];
    for ($poles = 1; $poles <= 20; $poles++) {
        $middles = Packed::poles($poles, 1.0);
        $envelope = Bundle::envelope($poles, 1.0);
        expect($middles)->toHaveCount($poles);
        isset($known[$poles]) && expect($envelope)->toEqualWithDelta($known[$poles], 0.001);
        foreach ($middles as $n => [$x, $y]) {
            expect(hypot($x, $y) + 0.5)->toBeLessThan($envelope / 2 + 0.003, "$poles poles");
            foreach (array_slice($middles, $n + 1) as [$u, $v]) {
                expect(hypot($x - $u, $y - $v))->toBeGreaterThan(0.997, "$poles poles");
            }
        }
        // No band is shorter than one drawn tight round them where they lie, nor longer than the circle that holds them wants.
        $laid = bandRound(array_map(static fn (array $middle): array => [50 * $middle[0], 50 * $middle[1], 25.0], $middles)) + M_PI * 6;
        $band = Bundle::band($poles, 50, 6);
        expect($band)->toBeGreaterThan($laid - 0.5, "$poles poles")->toBeLessThanOrEqual(M_PI * (50 * $envelope + 6) + 1e-6)->toBeLessThan(1.12 * $laid);
        $poles < 4 && expect($band)->toEqualWithDelta($laid, 0.5);
    }
});

it('ties a bundle as often as no gap may be longer than 1.2 m, and no oftener', function (): void {
    for ($length = 200; $length <= 12000; $length += 50) {
        $ties = Bundle::ties($length);
        expect($ties[0])->toEqualWithDelta($length / 5, 1e-6)->and(end($ties))->toEqualWithDelta($length * 4 / 5, 1e-6);
        // The least that will do: one gap after the other is added until none is too long.
        for ($gaps = 1; 0.6 * $length / $gaps > 1200 + 1e-6; $gaps++);
        expect(count($ties))->toBe($gaps + 1, "$length mm");
        foreach (array_slice($ties, 1) as $n => $tie) {
            expect($tie - $ties[$n])->toEqualWithDelta(0.6 * $length / $gaps, 1e-6);
        }
    }
});

it('pulls at its anchors as a line of many short pieces does that hang in balance', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(32));
    for ($case = 0; $case < 60; $case++) {
        $span = (float) $random->getInt(1000, 12000);
        $sag = $span * $random->getInt(1, 60) / 100;
        $load = (float) $random->getInt(1, 400);
        // An even load hung at many points: from anchor to anchor the slope changes at each by its weight over the pull along.
        $pieces = 4000;
        $weight = $load * $span / 1000 / $pieces;
        $low = 0.0;
        foreach (range(1, $pieces) as $n) {
            $low += $n <= $pieces / 2 ? ($pieces / 2 - $n + 0.5) * $span / $pieces : 0;
        }
        // With a pull along of 1 it would hang so low; as much more pull as it hangs too low.
        $along = $low * $weight / $sag;
        $up = $weight * $pieces / 2;
        $even = Line::loadedEvenly($span, $sag, $load);
        expect($even->horizontal)->toEqualWithDelta($along, 1e-3 * $along)->and($even->tension)->toEqualWithDelta(hypot($along, $up), 1e-3 * hypot($along, $up));
        // A load at the middle: both halves draw along themselves, and hold it up together.
        $middle = Line::loadedAtTheMiddle($span, $sag, $load);
        $lean = atan2($sag, $span / 2);
        expect(2 * $middle->tension * sin($lean))->toEqualWithDelta($load, 1e-9 * $load)->and($middle->tension * cos($lean))->toEqualWithDelta($middle->horizontal, 1e-9 * $middle->horizontal);
        // Never less than half of what it bears, and the more the flatter.
        expect($middle->tension)->toBeGreaterThan($load / 2)->and(Line::loadedAtTheMiddle($span, $sag / 2, $load)->tension)->toBeGreaterThan($middle->tension);
    }
});

it('stands a tripod on three feet that are where its legs reach the ground', function (): void {
    $random = new Randomizer(new Xoshiro256StarStar(33));
    for ($case = 0; $case < 200; $case++) {
        $leg = (float) $random->getInt(500, 6000);
        $radius = $leg * $random->getInt(2, 98) / 100;
        $tripod = Tripod::of($leg, $radius);
        $feet = array_map(static fn (int $n): array => [$radius * cos(2 * M_PI * $n / 3), $radius * sin(2 * M_PI * $n / 3)], [0, 1, 2]);
        foreach ($feet as $n => [$x, $y]) {
            expect(sqrt($x ** 2 + $y ** 2 + $tripod->height ** 2))->toEqualWithDelta($leg, 1e-6);
            [$u, $v] = $feet[($n + 1) % 3];
            expect(hypot($x - $u, $y - $v))->toEqualWithDelta($tripod->feetApart, 1e-6);
        }
        expect($leg * cos($tripod->lean))->toEqualWithDelta($tripod->height, 1e-6)
            ->and($tripod->advice === null)->toBe($radius / $leg >= 0.30 && $radius / $leg <= 0.55);
    }
});

it('holds by turns as many little pieces of rope do, one behind the other', function (): void {
    $friction = Friction::fromPack(Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json'))));
    foreach (Material::cases() as $material) {
        foreach (['wood', 'steel', 'rope'] as $object) {
            foreach ([false, true] as $isWet) {
                $mu = $friction->coefficient($material, $object, $isWet);
                foreach ([0.0, 0.25, 1.0, 1.5, 3.0] as $turns) {
                    // Each piece presses on what is under it by how it bends, and is held by so much of that.
                    [$pull, $pieces] = [1.0, 20000];
                    for ($n = 0; $n < $pieces; $n++) {
                        $bend = 2 * M_PI * $turns / $pieces;
                        $pull += $mu * $pull * $bend / (1 - $mu * $bend / 2);
                    }
                    expect($friction->ratio($material, $object, $turns, $isWet))->toEqualWithDelta($pull, 1e-4 * $pull);
                }
                // Wet ropes hold no better than dry ones do by the pack's factor, and no turn is none.
                expect($friction->ratio($material, $object, 0))->toBe(1.0);
            }
        }
        // Three parts of rope draw at what is pulled, each weaker by what it has run round: once two parts are lost, nothing is gained.
        $parts = [1.0];
        $parts[] = $parts[0] / $friction->ratio($material, 'rope', 0.5);
        $parts[] = $parts[1] / $friction->ratio($material, 'wood', 0.5);
        expect($friction->truckersPull($material))->toEqualWithDelta(array_sum($parts), 1e-9)->toBeGreaterThan(1.0)->toBeLessThan(3.0);
    }
});
