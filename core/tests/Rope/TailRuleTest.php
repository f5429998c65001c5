<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Rope\TailVerdict;
use Compadre\Core\Words\Catalogue;

function tailRule(): TailRule
{
    return TailRule::fromPack(Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json'))));
}

// required = max(floor, m x slip x d) + back-up, worked by hand.
it('asks for the tail of the rule', function (string $class, float $diameter, Material $material, TailSchool $school, bool $wet, bool $backup, int $expected): void {
    expect(tailRule()->required(TailClass::from($class), RopeInHand::of($diameter, $material, $wet), $school, $backup)->millimetres)->toBe($expected);
})->with([
    'loop in 8 mm polyester: 10 x 8' => ['loop', 8, Material::Polyester, TailSchool::Longer, false, false, 80],
    'loop in 4 mm: the floor is longer' => ['loop', 4, Material::Polyester, TailSchool::Longer, false, false, 50],
    'the same by diameters alone' => ['loop', 4, Material::Polyester, TailSchool::Diameters, false, false, 40],
    'fixed: the floor alone' => ['loop', 12, Material::Hmpe, TailSchool::Fixed, false, false, 50],
    'binding in nylon: 6 x 1.2 x 10' => ['binding', 10, Material::Nylon, TailSchool::Longer, false, false, 72],
    'wet: 6 x 1.2 x 1.1 x 10 = 79.2, up' => ['binding', 10, Material::Nylon, TailSchool::Longer, true, false, 80],
    'natural grips: 8 x 0.9 x 10' => ['hitch', 10, Material::Natural, TailSchool::Longer, false, false, 72],
    'polypropylene: 4 x 1.3 x 6 = 31.2, up' => ['stopper', 6, Material::Polypropylene, TailSchool::Longer, false, false, 32],
    'HMPE: 10 x 1.6 x 5' => ['bend', 5, Material::Hmpe, TailSchool::Longer, false, false, 80],
    'back-up adds 14 d: 80 + 112' => ['loop', 8, Material::Polyester, TailSchool::Longer, false, true, 192],
    'back-up is added to the fixed school too' => ['loop', 8, Material::Polyester, TailSchool::Fixed, false, true, 162],
    'no trace of binary rounding: 10 x 1.1 x 8 = 88' => ['loop', 8, Material::Polyester, TailSchool::Longer, true, false, 88],
]);

it('is unsure by a width where tape was measured in widths', function (): void {
    // One width to either side is too close to tell.
    $judge = fn (float $measured): ?TailVerdict => tailRule()->judge(TailClass::Tape, RopeInHand::of(2, Material::Polyester, false, 25), TailSchool::Longer, false, $measured, Measure::Diameters)->verdict;
    $required = tailRule()->required(TailClass::Tape, RopeInHand::of(2, Material::Polyester, false, 25), TailSchool::Longer, false)->millimetres;
    expect([$judge($required - 25.5), $judge($required - 24.5), $judge($required + 24.5), $judge($required + 25.5)])->toBe([TailVerdict::Short, TailVerdict::Borderline, TailVerdict::Borderline, TailVerdict::Good]);
});

it('asks by the width of tape, never less than 75 mm', function (float $width, Material $material, int $expected): void {
    expect(tailRule()->required(TailClass::Tape, RopeInHand::of(2, $material, false, $width), TailSchool::Longer, false)->millimetres)->toBe($expected);
})->with([[20, Material::Polyester, 75], [25, Material::Nylon, 90], [30, Material::Polyester, 90]]);

it('judges a measured tail', function (float $measured, Measure $by, TailVerdict $verdict, float $uncertainty): void {
    $judged = tailRule()->judge(TailClass::Loop, RopeInHand::of(8, Material::Polyester), TailSchool::Longer, false, $measured, $by);
    expect($judged->verdict)->toBe($verdict);
    expect($judged->uncertainty)->toEqualWithDelta($uncertainty, 1e-9);
    expect($judged->required)->toBe(80);
})->with([
    'well short' => [60, Measure::Millimetres, TailVerdict::Short, 3],
    'just outside the uncertainty below' => [76.9, Measure::Millimetres, TailVerdict::Short, 3],
    'at the edge of the uncertainty' => [77, Measure::Gauge, TailVerdict::Borderline, 3],
    'exact, but a ruler is 3 mm' => [80, Measure::Millimetres, TailVerdict::Borderline, 3],
    'just outside above' => [83.1, Measure::Millimetres, TailVerdict::Good, 3],
    'fingers: 20 % of 96 covers the gap of 16' => [96, Measure::Finger, TailVerdict::Borderline, 19.2],
    'diameters: one d' => [88, Measure::Diameters, TailVerdict::Borderline, 8],
    'four times is still good' => [320, Measure::Millimetres, TailVerdict::Good, 3],
    'more is long, which is advice' => [321, Measure::Millimetres, TailVerdict::Long, 3],
]);

it('gives no verdict where nothing was measured', function (): void {
    $judged = tailRule()->judge(TailClass::Loop, RopeInHand::of(8, Material::Polyester), TailSchool::Longer, false, null, Measure::Millimetres);
    expect($judged->toArray(Catalogue::english()))->toMatchArray(['required_mm' => 80, 'uncertainty_mm' => 3.0, 'verdict' => null]);
    expect(Catalogue::english()->say($judged->reason))->toContain('At least 80 mm')->toContain('10 rope diameters')->toContain('8 mm polyester');
});

it('says by how much a tail is short and that nothing has to be tied again', function (): void {
    $reason = Catalogue::english()->say(tailRule()->judge(TailClass::Loop, RopeInHand::of(8, Material::Polyester), TailSchool::Longer, false, 55, Measure::Millimetres)->reason);
    expect($reason)->toContain('25 mm too short')->toContain('feed')->toContain('no need to tie it again');
});

it('refuses what no rope can be', function (Closure $make, string $field): void {
    try {
        $make();
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field);
        expect($refusal->allowed)->not->toBeEmpty();

        return;
    }
    $this->fail('This should have been refused.');
})->with([
    'negative diameter' => [fn () => RopeInHand::of(-8, Material::Nylon), '/diameter_mm'],
    'no diameter' => [fn () => RopeInHand::of(0, Material::Nylon), '/diameter_mm'],
    'not a number' => [fn () => RopeInHand::of(NAN, Material::Nylon), '/diameter_mm'],
    'a hawser' => [fn () => RopeInHand::of(101, Material::Nylon), '/diameter_mm'],
    'a width for a knot in rope' => [fn () => tailRule()->required(TailClass::Loop, RopeInHand::of(8, Material::Nylon, false, 20), TailSchool::Longer, false), '/width_mm'],
    'tape without a width' => [fn () => tailRule()->required(TailClass::Tape, RopeInHand::of(2, Material::Nylon), TailSchool::Longer, false), '/width_mm'],
    'a pack that leaves a class out' => [fn () => TailRule::fromPack(Fields::of(['tail_classes' => ['stopper' => ['m' => 6, 'floor_mm' => 40]]])), '/tail_classes/binding'],
    'negative measure' => [fn () => tailRule()->judge(TailClass::Loop, RopeInHand::of(8, Material::Nylon), TailSchool::Longer, false, -1, Measure::Millimetres), '/measured_mm'],
]);
