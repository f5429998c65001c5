<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\PassRates;
use Compadre\Core\Teaching\Rounds\TermPlan;
use Compadre\Core\Teaching\Term\TermSheet;

require_once __DIR__.'/Term/sheets.php';

it('learns how long this group takes, and how sure that is', function (): void {
    $run = fn (float $planned, float $taken, string $kind = 'new'): array => ['kind' => $kind, 'planned' => $planned, 'taken' => $taken];
    expect(Pace::from([])->factor('new'))->toBe(1.0);
    // One block of twice its minutes against three that ran to time: the fourth root of two.
    expect(Pace::from([$run(10, 20)])->factor('new'))->toEqualWithDelta(2 ** 0.25, 1e-9);
    $long = Pace::from(array_fill(0, 27, $run(10, 20)));
    expect($long->factor('new'))->toEqualWithDelta(2 ** 0.9, 1e-9)->and($long->factor('old'))->toBe(1.0);
    $narrow = $long->about('new');
    $wide = Pace::from([$run(10, 20)])->about('new');
    expect($narrow['runs'])->toBe(27)->and($narrow['to'] / $narrow['from'])->toBeLessThan($wide['to'] / $wide['from']);
    // A block left running overnight says nothing.
    expect(Pace::from([$run(10, 600), $run(10, 1)])->factor('new'))->toBe(1.0);
    expect(fn () => Pace::from([$run(0, 5)]))->toThrow(Refusal::class, 'minutes above 0');
});

it('draws each knot toward what lessons take here, and tells knots apart', function (): void {
    $run = static fn (string $knot, float $taken): array => ['kind' => 'new', 'planned' => 10.0, 'taken' => $taken, 'knot' => $knot];
    $pace = Pace::from([...array_fill(0, 6, $run('bowline', 20.0)), $run('overhand', 10.0), ['kind' => 'old', 'planned' => 3.0, 'taken' => 9.0, 'knot' => 'bowline']]);
    // Six lessons of twice their minutes and one to time, against three to time: two to the six tenths.
    expect($pace->lessons())->toEqualWithDelta(2 ** 0.6, 1e-9);
    $byKnot = $pace->byKnot();
    expect(array_keys($byKnot))->toBe(['bowline', 'overhand']);
    expect($byKnot['bowline'])->toEqualWithDelta(2 ** ((6 + 3 * 0.6) / 9), 1e-9)->and($byKnot['overhand'])->toEqualWithDelta(2 ** (3 * 0.6 / 4), 1e-9);
    expect(array_column($pace->aboutKnots(), 'runs', 'knot'))->toBe(['bowline' => 6, 'overhand' => 1]);
});

it('draws pass rates toward the usual one', function (): void {
    $rates = PassRates::from(['bowline' => [4, 0], 'overhand' => [20, 20]]);
    expect($rates->byKnot()['bowline'])->toEqualWithDelta(4.2 / 10, 1e-9)->and($rates->byKnot()['overhand'])->toEqualWithDelta(24.2 / 26, 1e-9);
    [$few, $many] = $rates->about();
    expect($few['tries'])->toBe(4)->and($few['to'] - $few['from'])->toBeGreaterThan($many['to'] - $many['from'])->and($many['to'])->toBeLessThanOrEqual(1.0);
    expect(PassRates::from([])->byKnot())->toBe([]);
});

/** Six learners, three meetings of an hour, and a badge of these knots. */
function sheetWith(array $leaves, array $more = [], array $objects = []): TermSheet
{
    $learners = array_map(static fn (int $n): array => termLearner("l$n"), range(1, 6));
    $meetings = array_map(static fn (int $n): array => termMeeting($n, 60, 2, isset($objects[$n]) ? ['objects' => $objects[$n]] : []), range(0, 2));
    $course = courseOfTerm($more + wholeTerm($learners, [termBadge(array_fill_keys($leaves, 'has_it'))], $meetings));

    return TermSheet::of(TermPlan::atOnce($course));
}

/** @return array<string, ?string> the first meeting that shows each knot */
function shownWith(array $leaves, array $more = [], array $objects = []): array
{
    return sheetWith($leaves, $more, $objects)->shownIn;
}

it('keeps to pins, bans and what there is to tie to', function (): void {
    expect(shownWith(['clove-hitch', 'figure-eight']))->toBe(['clove-hitch' => 'm0', 'figure-eight' => 'm0']);
    expect(shownWith(['clove-hitch', 'figure-eight'], ['pins' => [['knot' => 'figure-eight', 'meeting' => 'm2']]]))->toBe(['clove-hitch' => 'm0', 'figure-eight' => 'm2']);
    expect(shownWith(['clove-hitch', 'figure-eight'], ['pins' => [['knot' => 'figure-eight', 'meeting' => null]]])['figure-eight'])->toBeNull();
    expect(shownWith(['clove-hitch', 'figure-eight'], ['bans' => [['what' => 'hitch', 'meeting' => 'm0']]]))->toBe(['clove-hitch' => 'm1', 'figure-eight' => 'm0']);
    expect(shownWith(['clove-hitch'], ['bans' => [['what' => 'clove-hitch', 'meeting' => null]]])['clove-hitch'])->toBeNull();
    // Nothing to tie to on the first evening.
    expect(shownWith(['clove-hitch', 'figure-eight'], [], [0 => []]))->toBe(['clove-hitch' => 'm1', 'figure-eight' => 'm0']);
    expect(fn () => shownWith(['clove-hitch'], ['pins' => [['knot' => 'clove-hitch', 'meeting' => 'm9']]]))->toThrow(Refusal::class, 'a meeting still to come');
});

it('takes the group’s own pace into account', function (): void {
    $knots = ['clove-hitch', 'figure-eight', 'sheet-bend'];
    $done = static fn (array $more = []): array => array_unique(array_column(sheetWith($knots, $more)->completes, 'meeting'));
    expect($done())->toBe(['m0']);
    // By the rule the three take thirteen minutes; so slow a group has no evening with room for all of them.
    expect($done(['settings' => ['pace' => 'soon', 'factor' => 4.9]]))->not->toContain('m0');
});
