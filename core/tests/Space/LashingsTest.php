<?php

declare(strict_types=1);

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Lashing;
use Compadre\Core\Space\Clearance;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Space\Gripping;
use Compadre\Core\Space\KeyFrames;
use Compadre\Core\Space\Lashing\Lashed;
use Compadre\Core\Space\Lashing\Passes;
use Compadre\Core\Space\Lashing\Recipe;
use Compadre\Core\Space\Lashing\SquareLashing;
use Compadre\Core\Space\Lashing\Winding;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\RopeOnRope;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\StepsInSpace;
use Compadre\Core\Space\Strain;
use Compadre\Core\Space\Tightening;
use Compadre\Core\Space\Touch;

const LASHED_PACKS = __DIR__.'/../../../packs';

/** @return array<string, array{KnotPack}> */
function lashings(): array
{
    $found = [];
    foreach (Library::at(LASHED_PACKS)->all() as $knot) {
        $found += $knot->lashing !== null ? [$knot->id => [$knot]] : [];
    }

    return $found;
}

/** @return list<string> on which side of poles a word goes, without their names */
function sidesOf(array $word): array
{
    return array_map(static fn (string $run): string => str_starts_with($run, 'behind') ? 'behind' : 'in front', $word);
}

function woundOf(LashingKind $kind, int $wraps, int $fraps, float $pole = 8.0, ?float $angle = null): array
{
    $recipe = Recipe::of($kind, array_fill(0, $kind->poles(), $pole), 1.0, $wraps, $fraps, $angle);

    return [Lashed::wound($recipe)[0], Lashed::poles($recipe)];
}

it('is wound as the pack draws it, pole for pole', function (string $id, int $drawn): void {
    $knot = Library::at(LASHED_PACKS)->knot($id);
    [$rope, $poles] = woundOf($knot->lashing ?? LashingKind::Square, $drawn, 2);
    expect(Passes::ofRope($rope, $poles))->toBe(Passes::ofDrawing($knot, $knot->methods[0]));
})->with([
    // As many turns as the flat drawing has room for.
    ['square-lashing', 3], ['shear-lashing', 5], ['tripod-lashing-plain', 5], ['tripod-lashing-woven', 3],
]);

it('is wound as the pack draws it, side for side, where poles are passed at their crossing', function (): void {
    $knot = Library::at(LASHED_PACKS)->knot('diagonal-lashing');
    [$rope, $poles] = woundOf(LashingKind::Diagonal, 3, 2);
    $word = Passes::ofRope($rope, $poles);
    $drawn = Passes::ofDrawing($knot, $knot->methods[0]);
    expect(sidesOf($word))->toBe(sidesOf($drawn));
    // The fraps and the last hitch pass one pole at a time.
    expect(array_slice($word, -9))->toBe(array_slice($drawn, -9));
});

it('goes round once more for each wrap and each frap', function (LashingKind $kind, int $aWrap, int $aFrap): void {
    foreach ([2, 4, 6] as $wraps) {
        foreach ([1, 3] as $fraps) {
            $count = static fn (int $w, int $f): int => count(Passes::ofRope(...woundOf($kind, $w, $f)));
            expect($count($wraps + 1, $fraps) - $count($wraps, $fraps))->toBe($aWrap)->and($count($wraps, $fraps + 1) - $count($wraps, $fraps))->toBe($aFrap);
        }
    }
})->with([
    // Square: in front, behind, in front, behind. Diagonal: each way in front and behind. Fraps of poles side by side pass none.
    'square' => [LashingKind::Square, 4, 4], 'diagonal' => [LashingKind::Diagonal, 4, 4], 'shear' => [LashingKind::Shear, 2, 0],
    'plain tripod' => [LashingKind::TripodPlain, 2, 0], 'woven tripod' => [LashingKind::TripodWoven, 6, 0],
]);

it('keeps a form of every lashing that is the lashing at every key frame, tight, even, and outside of its poles', function (KnotPack $knot): void {
    $files = new FormFile(LASHED_PACKS);
    $method = $knot->methods[0];
    expect($knot->lashing)->not->toBeNull()->and($files->isCurrent($knot, $method))->toBeTrue();
    $kept = $files->read($knot, $method);
    expect(count($kept->form->frames))->toBeGreaterThan(3)->and(Strain::of($kept->form->tight()))->toBeLessThan(0.03);
    expect(Lashed::holds($kept->form, Lashed::pictured($knot->lashing ?? LashingKind::Square)))->toBeTrue();
    $before = INF;
    foreach ($kept->form->frames as $ropes) {
        expect(Nearness::least($ropes))->toBeGreaterThan(0.97)->and($ropes[0]->length())->toBeLessThan($before);
        $before = $ropes[0]->length();
        foreach ($kept->form->solids as $solid) {
            foreach ($ropes[0]->points as $point) {
                $solid->distance($point) > 0.47 || $this->fail("the rope lies in the {$solid->kind->value}");
            }
        }
    }
    expect(strlen((string) gzencode((string) file_get_contents($files->path($knot, $method)), 9)))->toBeLessThan(40_000);
})->with(lashings(...));

it('lays a turn with every step that ties, in order, and all of it with the last', function (KnotPack $knot): void {
    $laid = (new FormFile(LASHED_PACKS))->read($knot, $knot->methods[0])->laid;
    $before = 0.0;
    foreach ($knot->methods[0]->steps as $step) {
        expect($step->laid === null)->toBe($step->reach === []);
        if ($step->laid !== null) {
            expect($laid)->toHaveKey($step->laid)->and($laid[$step->laid])->toBeGreaterThan($before);
            $before = $laid[$step->laid];
        }
    }
    expect($before)->toBe(1.0)->and(array_values($laid))->toBe(collect(array_values($laid))->sort()->values()->all());
})->with(lashings(...));

it('shows as much of the ropes as a step has come to', function (): void {
    $library = Library::at(LASHED_PACKS);
    $files = new FormFile(LASHED_PACKS);
    $of = static fn (string $id): StepsInSpace => new StepsInSpace($library->knot($id), $library->knot($id)->methods[0], $files->read($library->knot($id), $library->knot($id)->methods[0]));
    $kept = $files->read($library->knot('square-lashing'), $library->knot('square-lashing')->methods[0]);
    $loose = $kept->form->frames[0][0];
    // The second step is the first wrap.
    $wrap = $of('square-lashing')->at(2);
    expect($wrap)->toHaveCount(1)->and($wrap[0]->length())->toEqualWithDelta($kept->laid['wrap 1'] * $loose->length(), 0.5)->and($wrap[0]->points[0])->toEqual($loose->points[0]);
    expect($of('square-lashing')->at(7)[0]->length())->toEqualWithDelta($loose->length(), 0.01)->and($of('square-lashing')->at(8))->toEqual($kept->form->tight());
    // A bowline's third step: as much of its rope as of the drawing's.
    $bowline = $library->knot('bowline');
    $diagram = DiagramBuilder::loose($bowline->methods[0], $bowline->file);
    $share = StepStates::of($bowline->methods[0], $diagram)[2]->reach['rope'] / $diagram->strands[0]->curve->length();
    $rope = $files->read($bowline, $bowline->methods[0])->form->frames[0][0];
    expect($of('bowline')->at(3)[0]->length())->toEqualWithDelta($share * $rope->length(), 0.3)->and($of('bowline')->comes())->toBe([]);
    expect(fn () => $of('bowline')->at(7))->toThrow(Refusal::class, 'from 1 to 6');
    // Tied doubled, a rope comes from both sides until they meet.
    $pieces = array_map(static fn (int $step): int => count($of('larks-head')->at($step)), range(1, count($library->knot('larks-head')->methods[0]->steps)));
    expect(max($pieces))->toBeLessThanOrEqual(2)->and($pieces[count($pieces) - 1])->toBe(1);
});

it('takes a piece of a rope', function (): void {
    $rope = new SpaceStrand('a', false, [[0.0, 0.0, 0.0], [1.0, 0.0, 0.0], [1.0, 1.0, 0.0], [1.0, 1.0, 2.0]]);
    expect($rope->part(0.25, 0.5)->points)->toEqual([[1.0, 0.0, 0.0], [1.0, 1.0, 0.0]])->and($rope->part(0.0, 1.0)->length())->toEqualWithDelta(4.0, 0.7);
    expect($rope->at([0.0, 0.5, 4.0])->points)->toEqual([[0.0, 0.0, 0.0], [0.5, 0.0, 0.0], [1.0, 1.0, 2.0]]);
});

it('takes no less rope than the turns alone, and less than half as much again', function (KnotPack $knot): void {
    $kind = $knot->lashing ?? LashingKind::Square;
    $recipe = Lashed::pictured($kind);
    $poles = array_map(static fn (float $radius): float => 2 * $radius, $recipe->radii);
    $turns = (Lashing::of($kind, $poles, 1.0, $recipe->wraps, $recipe->fraps)->rope - 20) / 1.1;
    // The rule counts half turns on the poles; from pole to pole the rope goes on straight, which the built one has too.
    $ratio = (new FormFile(LASHED_PACKS))->read($knot, $knot->methods[0])->ropeInKnot / $turns;
    expect($ratio)->toBeGreaterThan(0.9)->toBeLessThan(1.5);
})->with(lashings(...));

it('is built of other poles, angles and turns', function (LashingKind $kind, array $poles, float $rope, int $wraps, int $fraps, ?float $angle): void {
    $recipe = Recipe::of($kind, $poles, $rope, $wraps, $fraps, $angle);
    $kept = Lashed::of($recipe);
    expect(Lashed::holds($kept->form, $recipe))->toBeTrue()->and(Strain::of($kept->form->tight()))->toBeLessThan(0.03);
    foreach ($kept->form->frames as $ropes) {
        expect(Nearness::least($ropes))->toBeGreaterThan(0.97);
    }
})->with([
    'a square one, askew, thin on thick' => [LashingKind::Square, [40.0, 25.0], 8.0, 2, 1, 70.0],
    'a shear one of unlike legs' => [LashingKind::Shear, [30.0, 45.0], 9.0, 3, 1, null],
    'a woven one of thin poles' => [LashingKind::TripodWoven, [30.0, 24.0, 30.0], 10.0, 2, 1, null],
]);

it('refuses what is no lashing, with the place and what is allowed', function (Closure $recipe, string $field, string $allowed): void {
    expect($recipe)->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe($field)->and($refusal->getMessage())->toContain($allowed));
})->with([
    'poles' => [fn () => Recipe::of(LashingKind::TripodPlain, [60.0, 60.0], 6.0), '/lashing/poles_mm', '3 pole diameters'],
    'a thin pole' => [fn () => Recipe::of(LashingKind::Square, [60.0, 8.0], 6.0), '/lashing/poles_mm/1', 'from 1.5 to 40 times'],
    'wraps' => [fn () => Recipe::of(LashingKind::Square, [60.0, 60.0], 6.0, 13), '/lashing/wraps', 'from 1 to 12'],
    'fraps' => [fn () => Recipe::of(LashingKind::Square, [60.0, 60.0], 6.0, 3, 7), '/lashing/fraps', 'from 0 to 6'],
    'an angle' => [fn () => Recipe::of(LashingKind::Diagonal, [60.0, 60.0], 6.0, 3, 2, 30.0), '/lashing/angle_deg', 'from 45 to 90'],
    'an angle between poles side by side' => [fn () => Recipe::of(LashingKind::Shear, [60.0, 60.0], 6.0, 7, 2, 90.0), '/lashing/angle_deg', 'side by side'],
]);

it('catches a strand that goes through another between key frames, and a turn that was left out', function (): void {
    $cross = new SpaceStrand('a', false, array_map(static fn (int $k): array => [0.4 * $k - 4, 0.0, 0.0], range(0, 20)));
    $over = static fn (float $z): SpaceStrand => new SpaceStrand('b', false, array_map(static fn (int $k): array => [0.1, 0.4 * $k - 4, $z], range(0, 20)));
    expect(Clearance::between([$cross, $over(1.0)], [$cross, $over(3.0)]))->toBeTrue()->and(Clearance::between([$cross, $over(1.0)], [$cross, $over(-1.0)]))->toBeFalse();
    $files = new FormFile(LASHED_PACKS);
    $knot = Library::at(LASHED_PACKS)->knot('square-lashing');
    $form = $files->read($knot, $knot->methods[0])->form;
    expect(Lashed::holds($form, Recipe::of(LashingKind::Square, [8.0, 8.0], 1.0, 4)))->toBeFalse();
});

it('finds the passes of a rope round one pole', function (): void {
    $poles = SquareLashing::poles(Recipe::of(LashingKind::Square, [8.0, 8.0], 1.0));
    $rope = new Winding(1.0, 0.5);
    $rope->about($poles[0], -M_PI / 2, 5 * M_PI / 2, -12.0, -9.0);
    $strand = new SpaceStrand('rope', false, $rope->line()[0]);
    expect(Passes::ofRope($strand, $poles))->toBe(['in front of upright', 'behind upright', 'in front of upright']);
    // A turn and a half: the middle of it lies behind, and a quarter of a turn is as long as a quarter of a circle.
    expect(Passes::places($strand, $poles)[1])->toEqualWithDelta($strand->length() / 2, 0.05)->and($strand->length())->toEqualWithDelta(3 * M_PI * 4.5, 0.6);
});

it('grips wood and rope, and lets go of what lies on neither', function (): void {
    $bar = new Solid(StrandKind::Pole, [-20.0, 0.0, 0.0], [20.0, 0.0, 0.0], 3.0);
    $points = array_map(static fn (int $k): array => [0.05 * $k, 3.5 * cos(0.1 * $k), 3.5 * sin(0.1 * $k)], range(0, 40));
    [$x, $y, $z] = [array_column($points, 0), array_column($points, 1), array_column($points, 2)];
    $was = [$x, $y, $z];
    $x = array_map(static fn (float $at): float => $at + 1.0, $x);
    (new Gripping($bar))->move($was, [[], []], $x, $y, $z);
    expect($x[20])->toEqualWithDelta($was[0][20] + 0.1, 1e-9)->and($x[0])->toEqualWithDelta($was[0][0] + 0.1, 1e-9);
    $x = [0.0, 0.0, 0.0];
    $y = [0.2, 0.2, 0.2];
    $z = [0.0, 0.0, 0.0];
    (new RopeOnRope)->move([[0.0, 1.0, 5.0], [0.0, 0.0, 0.0], [0.0, 0.0, 0.0]], [[0, 0], [1, 2]], $x, $y, $z);
    expect($y[0])->toEqualWithDelta(0.03, 1e-9)->and($x[1])->toEqualWithDelta(0.85, 1e-9)->and($y[2])->toBe(0.2);
});

it('asks what touches at each pull, and not while it settles', function (): void {
    $seen = new class implements Touch
    {
        public int $times = 0;

        public function move(array $was, array $pairs, array &$x, array &$y, array &$z): void
        {
            $this->times++;
        }
    };
    $rope = new SpaceStrand('a', false, array_map(static fn (int $k): array => [0.4 * $k, sin($k), 0.0], range(0, 20)));
    $tightening = new Tightening([$rope], 0.4, [], [], [$seen]);
    $tightening->settle(5);
    expect($seen->times)->toBe(0);
    $tightening->tighten(5);
    expect($seen->times)->toBe(5);
});

it('keeps the first and the last state, and those between that are furthest apart', function (): void {
    expect(KeyFrames::chosen([100.0, 99.0, 90.0, 80.0, 61.0, 60.0], 5))->toBe([0, 2, 3, 4, 5])->and(KeyFrames::chosen([100.0, 99.0, 98.5, 60.0], 4))->toBe([0, 2, 3])->and(KeyFrames::chosen([100.0], 5))->toBe([0]);
});

it('shows bars no further than ropes reach on them, and built ones as they are', function (): void {
    $knot = Library::at(LASHED_PACKS)->knot('clove-hitch');
    $form = (new FormFile(LASHED_PACKS))->read($knot, $knot->methods[0])->form;
    $bar = $form->shown()[0];
    expect($bar->length())->toBeLessThan($form->solids[0]->length())->and($bar->radius)->toBe($form->solids[0]->radius);
    $lashed = Library::at(LASHED_PACKS)->knot('shear-lashing');
    $built = (new FormFile(LASHED_PACKS))->read($lashed, $lashed->methods[0])->form;
    expect($built->shown())->toEqual($built->solids)->and($built->solids[0]->length())->toEqualWithDelta($built->solids[1]->length(), 0.01);
});
