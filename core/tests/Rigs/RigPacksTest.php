<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Pack\QuestionKind;
use Compadre\Core\Rope\Material;
use Compadre\Core\Words\Catalogue;

require_once __DIR__.'/Workbench.php';

it('holds all eighteen to their schema, their knots and their units', function (): void {
    rigShelf()->verify(rigSchema());
    expect(rigShelf()->ids())->toHaveCount(18);
});

it('is worked out with what a screen begins with, drawn within its frame', function (string $id): void {
    $rigged = rigged($id);
    expect(ropeIn($rigged))->toBeGreaterThan(0.0)->and($rigged->advice)->not->toBe([])->and(Catalogue::english()->say($rigged->reason))->toContain('teaching model');
    foreach ($rigged->knots as $knot) {
        expect(rigLibrary()->knot($knot->knot)->isTaught())->toBeTrue();
    }
    foreach ($rigged->sketch->marks as $mark) {
        foreach ($mark['points'] as [$x, $y]) {
            expect($x)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual($rigged->sketch->width)->and($y)->toBeGreaterThanOrEqual(0.0)->toBeLessThanOrEqual($rigged->sketch->height);
        }
    }
    // Rope is cut to the next centimetre, and no piece is lost on the way to the list.
    $cut = array_sum(array_map(static fn (array $piece): float => $piece['length_mm'] * $piece['count'], $rigged->cut));
    $pieces = array_sum(array_column($rigged->cut, 'count'));
    expect($cut)->toBeGreaterThanOrEqual(ropeIn($rigged) - 0.1 * $pieces)->toBeLessThanOrEqual(ropeIn($rigged) + 10.1 * $pieces);
})->with(fn () => rigShelf()->ids());

it('asks at most six things before it answers', function (string $id): void {
    expect(count(array_filter(rigShelf()->rig($id)->questions, static fn ($question): bool => ! $question->isOptional())))->toBeLessThanOrEqual(6);
})->with(fn () => rigShelf()->ids());

// By hand, in 6 mm polyester: bowline 120 + tail 60, trucker's hitch by its factor, turns as pi (D + d).
it('comes to what is worked out by hand', function (string $rig, array $answers, string $what, float $comes): void {
    $rigged = rigged($rig, $answers);
    expect($rigged->figures[$what] ?? lengthOf($rigged, $what))->toEqualWithDelta($comes, 0.06);
})->with([
    'tripod: 3-4-5' => ['tripod', ['leg_mm' => 2000, 'foot_radius_mm' => 1000], 'height_mm', sqrt(3) * 1000],
    'tripod: feet of an equilateral triangle' => ['tripod', ['leg_mm' => 2000, 'foot_radius_mm' => 1000], 'feet_apart_mm', 1000 * sqrt(3)],
    'tripod: half the leg leans 30 degrees' => ['tripod', ['leg_mm' => 2000, 'foot_radius_mm' => 1000], 'lean_deg', 30.0],
    'tripod: woven of 40' => ['tripod', ['school' => 'woven', 'poles_mm' => [40, 40, 40]], 'lashing', 1.1 * (2 * (2 * M_PI * 46 + 36) + 5 * 3 * M_PI * 46 + 4 * (60 + 80)) + 120],
    'shear legs: 3-4-5' => ['shear-legs', ['leg_mm' => 2500, 'feet_apart_mm' => 2400], 'height_mm', sqrt(2500 ** 2 - 1200 ** 2)],
    'line: the parabola' => ['line-between', ['span_mm' => 8000, 'sag_mm' => 400, 'load_n_per_m' => 25], 'tension_n', sqrt((25 * 8 * 8000 / (8 * 400)) ** 2 + 100 ** 2)],
    'line: sideways' => ['line-between', ['span_mm' => 8000, 'sag_mm' => 400, 'load_n_per_m' => 25], 'horizontal_n', 25 * 8 * 8000 / (8 * 400)],
    'shelter: its pull' => ['ridge-shelter', ['span_mm' => 6000, 'sag_mm' => 300, 'load_n_per_m' => 20], 'tension_n', sqrt(300 ** 2 + 60 ** 2)],
    'shelter: hauling' => ['ridge-shelter', [], 'hauling_gain', 1.777],
    'shelter: a guy of 3-4-5 with bowline and taut-line' => ['ridge-shelter', ['ridge_height_mm' => 3000, 'peg_distance_mm' => 4000], 'guy', 5000 + 120 + 60 + 120 + M_PI * 26 / 2 + 50],
    'guyed pole: the slope' => ['guyed-pole', ['guy_height_mm' => 3000, 'peg_distance_mm' => 4000, 'pole_height_mm' => 3200], 'slope_mm', 5000.0],
    'guyed pole: a guy' => ['guyed-pole', ['guy_height_mm' => 3000, 'peg_distance_mm' => 4000, 'pole_mm' => 54], 'guy', 5000 + rigLibrary()->knot('round-turn-and-two-half-hitches')->ropeFactor * 6 + 1.5 * M_PI * 60 + 50 + 120 + M_PI * 13 + 50],
    'bed roll: round the middle and over both ends' => ['bed-roll', ['length_mm' => 600, 'girth_mm' => 700], 'rope', 700 + 2 * (600 + 350) + 6 * (rigLibrary()->knot('packers-knot')->ropeFactor + 2 * 5 + 12) + 50],
    'bundle: its ties' => ['pole-bundle', ['length_mm' => 4000], 'ties', 3.0],
    'bundle: between them' => ['pole-bundle', ['length_mm' => 4000], 'spacing_mm', 1200.0],
    'bundle: seven lie in three' => ['pole-bundle', ['poles' => 7, 'pole_mm' => 50], 'envelope_mm', 150.0],
    'stick: about twelve turns' => ['twist-line', ['distance_mm' => 1000, 'slack_mm' => 50], 'turns', 12.0],
    'branch: the second loop' => ['branch-line', ['branch_height_mm' => 5000, 'wanted_height_mm' => 1500], 'second_loop_mm', 3500.0],
    'crate: the tag line' => ['hoisted-crate', ['height_mm' => 4000, 'handle_mm' => 24], 'tag', 5500 + 1.5 * M_PI * 30 + rigLibrary()->knot('round-turn-and-two-half-hitches')->ropeFactor * 6 + 50],
    'loops: what both ropes come to' => ['linked-loops', ['first_mm' => 6000, 'second_mm' => 4000, 'loop_mm' => 200], 'length_mm', 10000 - 2 * (120 + 60 + 200) + 200],
    'stops: rope in them' => ['stopped-line', ['hands' => 4], 'used_mm', 4 * 15 * 6.0],
    'log: once round, twice' => ['drag-bundle', ['girth_mm' => 500, 'pull_mm' => 2000, 'between_mm' => 800], 'rope', 2 * (500 + 6 * M_PI) + 800 + 2000 + 6 * (rigLibrary()->knot('timber-hitch')->ropeFactor + 5) + 50 + 300],
    'extension: of equal ropes' => ['guy-extension', ['missing_mm' => 1000, 'other' => ['diameter_mm' => 6, 'material' => 'polyester']], 'extension', 1000 + 18 * 6 + 60 + 120 + M_PI * 13 + 50],
]);

// The slow way: turn the stick once more until the loops have given what was slack.
it('turns the stick as often as a trial does', function (): void {
    mt_srand(11);
    for ($case = 0; $case < 200; $case++) {
        [$side, $slack, $d] = [(float) mt_rand(500, 5000), (float) mt_rand(5, 200), (float) mt_rand(3, 12)];
        for ($turns = 1; $turns < 10_000 && 2 * ($side - sqrt(max(0, $side ** 2 - (M_PI * $turns * $d) ** 2))) < $slack; $turns++);
        if (sqrt($side ** 2 - ($side - $slack / 2) ** 2) <= 0.7 * $side) {
            expect(rigged('twist-line', ['distance_mm' => $side, 'slack_mm' => $slack], $d)->figures['turns'])->toEqualWithDelta($turns, 1e-9);
        }
    }
});

it('never needs less rope for more of anything that is measured', function (string $id): void {
    mt_srand(crc32($id));
    $rig = rigShelf()->rig($id);
    $grow = array_filter($rig->questions, static fn ($question): bool => in_array($question->kind, [QuestionKind::Number, QuestionKind::Numbers], true) && $question->unit === 'mm'
        && preg_match('/^(span|height|.*_height|length|cover_length|guy_height|leg|poles?|branch|anchor|tree|peg_distance|throw|missing|distance|girth|pull|upright)_mm$/', $question->id) === 1 && $question->id !== 'wanted_height_mm' && $question->id !== 'leg_mm');
    $tried = 0;
    foreach (range(1, 60) as $ignored) {
        foreach ($grow as $question) {
            try {
                $answers = $rig->starts();
                $first = round($question->from + (mt_rand() / mt_getrandmax()) * ($question->to - $question->from));
                $second = min($question->to, $first + mt_rand(1, 500));
                $as = static fn (float $value): array|float => $question->kind === QuestionKind::Numbers ? array_fill(0, $question->times['from'], $value) : $value;
                $less = rigged($id, [$question->id => $as($first)] + $answers);
                $more = rigged($id, [$question->id => $as($second)] + $answers);
            } catch (Refusal) {
                continue;
            }
            $tried++;
            expect(ropeIn($more))->toBeGreaterThanOrEqual(ropeIn($less) - 0.2, "$id, $question->id from $first to $second");
        }
    }
    expect($tried)->toBeGreaterThanOrEqual($grow === [] ? 0 : 20);
})->with(fn () => array_values(array_diff(rigShelf()->ids(), ['square-frame', 'linked-loops'])));

it('never needs less rope for a thicker rope', function (string $id): void {
    foreach ([3, 4, 5, 6, 8, 10] as $d) {
        expect(ropeIn(rigged($id, [], $d + 1)))->toBeGreaterThanOrEqual(ropeIn(rigged($id, [], $d)) - 0.2);
    }
})->with(fn () => array_values(array_diff(rigShelf()->ids(), ['twist-line', 'guy-extension'])));

it('refuses what cannot stand, with the reason', function (string $rig, array $answers, float $d, string $field, string $why): void {
    try {
        rigged($rig, $answers, $d);
        $this->fail('it was not refused');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field)->and($refusal->getMessage())->toContain($why)->and($refusal->value)->not->toBeNull();
    }
})->with([
    'a span of nothing' => ['ridge-shelter', ['span_mm' => 0], 6, '/answers/span_mm', 'at least 500'],
    'a span of 500 m' => ['line-between', ['span_mm' => 500_000], 6, '/answers/span_mm', 'at most 50000'],
    'a sag over half the span' => ['line-between', ['span_mm' => 2000, 'sag_mm' => 1001], 6, '/answers/sag_mm', 'more than half the span'],
    'a ridge on the ground' => ['ridge-shelter', ['sag_mm' => 2100, 'ridge_height_mm' => 2000], 6, '/answers/sag_mm', 'lie on the ground'],
    'legs too flat' => ['tripod', ['leg_mm' => 2000, 'foot_radius_mm' => 1240], 6, '/answers/foot_radius_mm', 'legs too flat: R/l 0.62, at most 0.55'],
    'legs too steep' => ['tripod', ['leg_mm' => 2000, 'foot_radius_mm' => 500], 6, '/answers/foot_radius_mm', 'legs too steep: R/l 0.25, at least 0.3'],
    'feet out of reach' => ['tripod', ['leg_mm' => 2000, 'foot_radius_mm' => 2000], 6, '/answers/foot_radius_mm', 'out of reach'],
    'poles thinner than the rope' => ['tripod', ['poles_mm' => [60, 12, 60]], 16, '/answers/poles_mm/1', 'thinner than the rope'],
    'a crossing thinner than the rope' => ['square-frame', ['crossings' => [['upright_mm' => 60, 'spar_mm' => 10]]], 12, '/answers/crossings/0/spar_mm', 'thinner than the rope'],
    'at neck height across a path' => ['ridge-shelter', ['ridge_height_mm' => 2100, 'sag_mm' => 300, 'across_path' => true], 6, '/answers/ridge_height_mm', 'neck height'],
    'more slack than can be twisted away' => ['twist-line', ['distance_mm' => 1000, 'slack_mm' => 900], 6, '/answers/slack_mm', 'at most 0.7'],
    'a loop above its branch' => ['branch-line', ['branch_height_mm' => 3000, 'wanted_height_mm' => 3000], 6, '/answers/wanted_height_mm', 'not below'],
    'more stops than fit' => ['stopped-line', ['length_mm' => 2000, 'hands' => 5], 6, '/answers/hands', 'at most 4'],
    'two poles for three' => ['tripod', ['poles_mm' => [60, 60]], 6, '/answers/poles_mm', 'at least 3'],
    'a school nobody knows' => ['tripod', ['school' => 'round'], 6, '/answers/school', 'plain'],
    'an answer to nothing' => ['bed-roll', ['colour_mm' => 3], 6, '/answers/colour_mm', 'only the fields'],
]);

it('puts the knot that is asked for where several may stand', function (): void {
    expect(rigged('ridge-shelter')->knots[0]->knot)->toBe('bowline')->and(rigged('ridge-shelter', knots: ['anchor' => 'round-turn-and-two-half-hitches'])->knots[0]->knot)->toBe('round-turn-and-two-half-hitches');
    expect(rigged('guy-extension', ['other' => ['diameter_mm' => 9, 'material' => 'polyester']])->knots[0]->knot)->toBe('sheet-bend')
        ->and(rigged('guy-extension', ['other' => ['diameter_mm' => 10, 'material' => 'polyester']])->knots[0]->knot)->toBe('double-sheet-bend')
        ->and(rigged('guy-extension', ['other' => ['diameter_mm' => 6, 'material' => 'nylon']])->knots[0]->knot)->toBe('double-sheet-bend');
    expect(fn () => rigged('ridge-shelter', knots: ['anchor' => 'sheepshank']))->toThrow(Refusal::class, 'one of bowline');
    expect(fn () => rigged('ridge-shelter', knots: ['roof' => 'bowline']))->toThrow(Refusal::class, 'a place of the rig');
});

it('says wraps for the rope in hand', function (): void {
    $wraps = static fn (Material $material): ?int => rigged('guyed-pole', material: $material)->knots[1]->wraps;
    expect($wraps(Material::Polyester))->toBe(2)->and($wraps(Material::Nylon))->toBe(3);
});

it('names file and field of a pack with a fault', function (array $change, string $message): void {
    $pack = array_replace_recursive(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/rigs/guyed-pole.json')), ['id' => 'our-pole'], $change);
    expect(fn () => rigShelf()->with([Fields::of($pack)])->verify(rigSchema()))->toThrow(Refusal::class, $message);
})->with([
    'an unknown knot' => [['places' => [['knots' => [['knot' => 'stoat-hitch']]]]], 'our-pole.json: /places/0/knots/0/knot'],
    'a unit that does not fit' => [['lets' => [['is' => 'guy_height_mm ** 2 + peg_distance_mm']]], 'our-pole.json: /lets/0/is: In'],
    'a length where degrees are wanted' => [['figures' => [['unit' => 'deg']]], 'it comes to mm, and deg is wanted'],
    'a circle' => [['lets' => [['is' => 'mm(1) + guy_rope']]], 'our-pole.json: /lets/0/is'],
    'a place nobody knows' => [['members' => [['at' => ['roof']]]], 'our-pole.json: /members/0/at/0'],
    'a name nobody knows in a sentence' => [['advice' => [['say' => 'It is {wide} wide.']]], 'our-pole.json: /advice/0/say'],
    'a refusal of no question' => [['refuse' => [['answer' => 'colour']]], 'our-pole.json: /refuse/0/answer'],
    'an unknown method' => [['places' => [['knots' => [['method' => 'upside-down']]]]], 'our-pole.json: /places/0/knots/0/method'],
    'a field nobody knows' => [['colour' => 'red'], 'our-pole.json: /colour'],
    'a kind nobody knows' => [['kind' => 'boat'], 'our-pole.json: /kind'],
]);
