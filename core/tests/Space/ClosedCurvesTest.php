<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Space\ClosedCurves;
use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Strain;

require_once __DIR__.'/Curves.php';

/** @param  list<SpaceStrand>  $strands */
function ropelength(array $strands): float
{
    return array_sum(array_map(static fn (SpaceStrand $strand): float => $strand->length(), $strands)) / min(1.0, Nearness::least($strands));
}

it('comes within 3 % of the published ropelengths, from good starts and bad ones', function (array $curves, float $published): void {
    $form = ClosedCurves::tightened($curves, 0.05);
    expect(ropelength($form->tight()))->toBeGreaterThan($published * 0.995)->toBeLessThan($published * 1.03);
    expect(Strain::of($form->tight()))->toBeLessThan(0.03);
    expect(ClosedCurves::isSame($form))->toBeTrue();
    foreach (array_slice($form->frames, 1) as $frame) {
        expect(Nearness::least($frame))->toBeGreaterThan(0.97);
    }
})->with([
    'Hopf link' => [fn (): array => hopfLink(100), 4 * M_PI],
    'trefoil' => [fn (): array => [torusKnot(2, 3, 60)], 16.37],
    'trefoil, the other way round the ring, wavy' => [fn (): array => [wavy(torusKnot(3, 2, 120), 0.2, 5)], 16.37],
    'figure eight' => [fn (): array => [figureEightCurve(150)], 21.04],
    'figure eight, wavy' => [fn (): array => [wavy(figureEightCurve(180), 0.1, 5)], 21.04],
    '5_1' => [fn (): array => [torusKnot(5, 2, 180)], 23.60],
    '5_1, wavy' => [fn (): array => [wavy(torusKnot(2, 5, 150), 0.15, 9)], 23.60],
    '5_2' => [fn (): array => [fiveTwoCurve(160)], 24.74],
    '5_2, wavy' => [fn (): array => [wavy(fiveTwoCurve(200), 0.15, 2)], 24.74],
]);

it('gives the same form for the same curves, at any size', function (): void {
    $small = ClosedCurves::tightened([torusKnot(2, 3, 80)], 0.1);
    $again = ClosedCurves::tightened([torusKnot(2, 3, 80)], 0.1);
    $large = ClosedCurves::tightened([torusKnot(2, 3, 80)->scaled(8.0)], 0.8);
    expect($again->tight())->toEqual($small->tight());
    expect(ropelength($large->tight()))->toEqualWithDelta(ropelength($small->tight()), 1e-3);
});

it('draws up what is very long for its thickness', function (): void {
    // A trefoil whose three strands run close together for a long way.
    $thin = curve(180, static fn (float $t): array => [(3 + 0.06 * cos(3 * $t)) * cos(2 * $t), (3 + 0.06 * cos(3 * $t)) * sin(2 * $t), 0.06 * sin(3 * $t)]);
    $form = ClosedCurves::tightened([$thin], 0.001);
    expect($form->frames[0][0]->length())->toBeGreaterThan(30_000.0);
    expect(ropelength($form->tight()))->toBeGreaterThan(16.2)->toBeLessThan(16.37 * 1.03)->and(ClosedCurves::isSame($form))->toBeTrue();
});

it('draws a tangle without a knot in it up to a ring', function (): void {
    mt_srand(5);
    $some = static fn (): float => mt_rand(-1000, 1000) / 1000;
    for ($case = 0; $case < 6; $case++) {
        $waves = array_map(static fn (int $wave): array => [[$some(), $some(), $some()], [$some(), $some(), $some()], $wave], [1, 2, 3, 4]);
        $tangle = curve(120, static function (float $t) use ($waves): array {
            $at = [0.0, 0.0, 0.0];
            foreach ($waves as [$sines, $cosines, $wave]) {
                foreach ([0, 1, 2] as $axis) {
                    $at[$axis] += ($sines[$axis] * sin($wave * $t) + $cosines[$axis] * cos($wave * $t)) / sqrt($wave);
                }
            }

            return [$at[0], $at[1], $at[2]];
        });
        $form = ClosedCurves::tightened([$tangle], 0.001);
        expect(ClosedCurves::isSame($form))->toBeTrue();
        // Without a knot it becomes a ring; with one, no shorter than the shortest knot.
        $length = $form->tight()[0]->length();
        expect($length)->toBeGreaterThan(3.0)->and($length < 5.0 || $length > 16.0)->toBeTrue();
    }
});

it('lets a ring without a knot shrink to a round one, and no further', function (): void {
    $form = ClosedCurves::tightened([wavy(curve(60, static fn (float $t): array => [4 * cos($t), 4 * sin($t), 0.0]), 0.3, 1)], 0.5);
    expect($form->tight()[0]->length())->toBeGreaterThan(3.0)->toBeLessThan(5.5);
});

it('refuses what is no rope, with the place and what is allowed', function (callable $curves, float $diameter, string $field, string $allowed): void {
    try {
        ClosedCurves::tightened($curves(), $diameter);
        $this->fail('It was taken.');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field)->and($refusal->allowed)->toContain($allowed);
    }
})->with([
    'two curves that are one' => [fn (): array => [torusKnot(2, 3, 60), torusKnot(2, 3, 60)], 0.1, '/closed', 'may not touch or cross'],
    'a curve that crosses itself' => [fn (): array => [curve(40, static fn (float $t): array => [cos($t), sin(2 * $t), 0.0])], 0.1, '/closed', 'may not touch or cross'],
    'too thick' => [fn (): array => [torusKnot(2, 3, 60)], 3.0, '/diameter', 'at most 2.'],
    'thicker than it is long' => [fn (): array => [curve(20, static fn (float $t): array => [cos($t), sin($t), 0.0])], 2.5, '/diameter', 'at most 1.99'],
    'a point twice' => [fn (): array => [new SpaceStrand('0', true, array_fill(0, 9, [1.0, 0.0, 0.0]))], 0.1, '/closed/0/0', 'differ from the next'],
]);

it('says how thick a rope may be, and takes one of that thickness', function (): void {
    try {
        ClosedCurves::tightened([torusKnot(2, 3, 60)], 3.0);
    } catch (Refusal $refusal) {
        preg_match('/at most ([0-9.]+)/', $refusal->allowed, $found);
    }
    $most = (float) ($found[1] ?? 0);
    expect(ClosedCurves::tightened([torusKnot(2, 3, 60)], 0.995 * $most)->tight())->toHaveCount(1);
    expect(fn () => ClosedCurves::tightened([torusKnot(2, 3, 60)], 1.05 * $most))->toThrow(Refusal::class);
});
