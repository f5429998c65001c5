<?php

declare(strict_types=1);

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Plan\CoursePlan;
use Compadre\Core\Teaching\Plan\CoursePlanner;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;
use Compadre\Core\Teaching\TimeModel;

function badgeOf(array ...$leaves): BadgePack
{
    return BadgePack::from(Fields::of(['id' => 'badge', 'version' => 1, 'name' => 'Badge', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => $leaves]]));
}

/** @return list<PlanMeeting> weekly, from the given date */
function weekly(int $count, int $minutes = 60, int $checkers = 2): array
{
    return array_map(fn (int $n): PlanMeeting => new PlanMeeting("m$n", (new DateTimeImmutable('2026-11-03'))->modify("+$n weeks")->format('Y-m-d'), $minutes, $checkers), range(0, $count - 1));
}

/** @return list<PlanLearner> */
function crew(int $count, AgeBand $band = AgeBand::From11, array $levels = [], array $memories = []): array
{
    return array_map(fn (int $n): PlanLearner => new PlanLearner("l$n", $band, $levels, $memories, ['badge']), range(1, $count));
}

function planned(array $learners, BadgePack $badge, array $meetings, ?string $due = null): CoursePlan
{
    return CoursePlanner::plan($learners, ['badge' => $badge], ['badge' => $due], $meetings, Library::at(dirname(__DIR__, 3).'/packs'));
}

/** @return list<string> "kind knot" of a meeting's blocks that have a knot */
function knotsOf(CoursePlan $plan, string $meeting): array
{
    return array_values(array_map(fn (Block $block): string => "$block->kind $block->knot", array_filter($plan->meetings[$meeting], fn (Block $block): bool => $block->knot !== null)));
}

// Minutes worked by hand from the planning rules.
it('models time', function (float $expected, float $actual): void {
    expect($actual)->toEqualWithDelta($expected, 1e-9);
})->with([
    'bowline, 11 to 13, 8 learners, 2 checkers: 9 + 0.5 x 8 / 2' => [11.0, TimeModel::newKnot(9, AgeBand::From11, 8, 2)],
    'the same with 5 to 7: 9 x 1.6 + 2' => [16.4, TimeModel::newKnot(9, AgeBand::From5, 8, 2)],
    '18 learners: 9 x 1.2 + 4.5' => [15.3, TimeModel::newKnot(9, AgeBand::From11, 18, 2)],
    'one checker: 4 x 1.25 + 0.5 x 10, 4 % crowd' => [10.2, TimeModel::newKnot(4, AgeBand::From8, 10, 1)],
    'old knot: 2 + 0.25 x 12 / 2' => [3.5, TimeModel::oldKnot(12, 2)],
]);

it('never shows a knot before what it needs', function (): void {
    $plan = planned(crew(6), badgeOf(['knot' => 'bowline', 'level' => 'has_it'], ['knot' => 'square-knot', 'level' => 'has_it']), weekly(3));
    $order = array_merge(...array_map(fn (string $id): array => knotsOf($plan, $id), ['m0', 'm1', 'm2']));
    expect(array_search('new overhand', $order, true))->toBeLessThan(array_search('new bowline', $order, true));
    expect($plan->unmet)->toBe([]);
});

it('fills a meeting exactly: start, clear up, and nothing over', function (): void {
    $plan = planned(crew(10, AgeBand::From8), badgeOf(['knot' => 'bowline', 'level' => 'kept'], ['knot' => 'clove-hitch', 'level' => 'kept'], ['knot' => 'figure-eight', 'level' => 'kept']), weekly(5, 45));
    foreach ($plan->meetings as $blocks) {
        expect($blocks[0]->kind)->toBe('welcome');
        expect($blocks[count($blocks) - 1]->kind)->toBe('clear_up');
        expect(array_sum(array_map(fn (Block $block): float => $block->minutes, $blocks)))->toBeLessThanOrEqual(45.0 + 1e-6)->toBeGreaterThan(44.0);
    }
});

it('shows no more new knots than the youngest can take', function (AgeBand $band, int $limit): void {
    $badge = badgeOf(['knot' => 'overhand', 'level' => 'has_it'], ['knot' => 'figure-eight', 'level' => 'has_it'], ['knot' => 'clove-hitch', 'level' => 'has_it'], ['knot' => 'square-knot', 'level' => 'has_it'], ['knot' => 'two-half-hitches', 'level' => 'has_it']);
    $plan = planned(crew(4, $band), $badge, weekly(6, 240));
    expect(array_filter(knotsOf($plan, 'm0'), fn (string $one): bool => str_starts_with($one, 'new')))->toHaveCount($limit);
})->with([[AgeBand::From5, 1], [AgeBand::From8, 2], [AgeBand::From11, 3], [AgeBand::From14, 4]]);

it('asks for a kept knot again at a later meeting, not the same', function (): void {
    $plan = planned(crew(6), badgeOf(['knot' => 'overhand', 'level' => 'kept']), weekly(3));
    expect(knotsOf($plan, 'm0'))->toBe(['new overhand']);
    expect(knotsOf($plan, 'm1'))->toBe(['old overhand']);
    expect(knotsOf($plan, 'm2'))->toBe([]);
});

it('gives old knots that fade their time, and only a fifth of it', function (): void {
    $memory = Memory::from([new DayResult('2026-10-01', Verdict::HasIt)], false);
    $fresh = Memory::from([new DayResult('2026-11-02', Verdict::HasIt)], false);
    $learners = crew(4, levels: ['overhand' => Level::HasIt, 'clove-hitch' => Level::HasIt], memories: ['overhand' => $memory, 'clove-hitch' => $fresh]);
    $plan = planned($learners, badgeOf(['knot' => 'bowline', 'level' => 'has_it']), weekly(1, 30));
    expect(knotsOf($plan, 'm0'))->toBe(['old overhand', 'new bowline']);
    $old = array_sum(array_map(fn (Block $block): float => $block->kind === 'old' ? $block->minutes : 0.0, $plan->meetings['m0']));
    expect($old)->toBeLessThanOrEqual(6.0);
});

it('teaches again what some do not have yet, and only to them', function (): void {
    $learners = [
        new PlanLearner('has', AgeBand::From11, ['overhand' => Level::HasIt], [], ['badge']),
        new PlanLearner('tried', AgeBand::From11, ['overhand' => Level::Seen], [], ['badge']),
        new PlanLearner('away', AgeBand::From11, [], [], ['badge']),
    ];
    $plan = planned($learners, badgeOf(['knot' => 'overhand', 'level' => 'has_it']), weekly(1));
    expect(knotsOf($plan, 'm0'))->toBe(['again overhand']);
    expect($plan->meetings['m0'][1]->learners)->toBe(['tried', 'away']);
});

it('chooses the cheaper of a choice', function (): void {
    $plan = planned(crew(5), badgeOf(['choose' => 1, 'of' => [['knot' => 'bowline', 'level' => 'has_it'], ['knot' => 'clove-hitch', 'level' => 'has_it']]]), weekly(2));
    expect(knotsOf($plan, 'm0'))->toBe(['new clove-hitch']);
});

it('says what does not fit, why, and what would mend it', function (array $meetings, ?string $due, string $level, string $reason, string $remedy): void {
    $plan = planned(crew(12, AgeBand::From5), badgeOf(['knot' => 'bowline', 'level' => $level]), $meetings, $due);
    $about = array_values(array_filter($plan->unmet, fn ($need): bool => $need->knot === 'bowline'))[0] ?? $plan->unmet[0];
    expect($about->reason)->toContain($reason);
    expect($about->remedy)->toContain($remedy);
    expect($about->learners)->toHaveCount(12);
})->with([
    'no meeting' => [[], null, 'has_it', 'comes after the overhand', 'Make room'],
    'too short for a bowline with twelve small children' => [weekly(3, 25), null, 'has_it', 'the longest meeting has', 'minutes longer'],
    'every meeting is after the date' => [weekly(3), '2026-10-01', 'has_it', 'comes after the overhand', 'Make room'],
    'nothing left to keep it in' => [weekly(2, 60), null, 'kept', 'tied again on another day', 'Add one meeting'],
]);

it('names the first cause when a whole chain does not fit', function (): void {
    $plan = planned(crew(3), badgeOf(['knot' => 'bowline', 'level' => 'has_it']), []);
    expect(array_map(fn ($need): array => [$need->knot, $need->reason], $plan->unmet))->toBe([
        ['overhand', 'There is no meeting left.'], ['bowline', 'The bowline comes after the overhand knot, which does not fit.'],
    ]);
});

it('plans nothing for those who have everything, but still the evening', function (): void {
    $plan = planned(crew(3, levels: ['overhand' => Level::Kept]), badgeOf(['knot' => 'overhand', 'level' => 'kept']), weekly(1));
    expect(array_map(fn (Block $block): string => $block->kind, $plan->meetings['m0']))->toBe(['welcome', 'free', 'clear_up']);
});

it('gives the same plan for the same input', function (): void {
    $badge = badgeOf(['knot' => 'bowline', 'level' => 'kept'], ['knot' => 'clove-hitch', 'level' => 'kept'], ['knot' => 'square-knot', 'level' => 'kept']);
    expect(serialize(planned(crew(9), $badge, weekly(6))))->toBe(serialize(planned(crew(9), $badge, weekly(6))));
});
