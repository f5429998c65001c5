<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\Plan\Ban;
use Compadre\Core\Teaching\Plan\CoursePlanner;
use Compadre\Core\Teaching\Plan\PlanSettings;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;

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

function plannedWith(PlanSettings $settings, array $leaves, int $meetings = 3, array $objects = []): array
{
    $learners = array_map(fn (int $n): PlanLearner => new PlanLearner("l$n", AgeBand::From11, [], [], ['badge']), range(1, 6));
    $badge = BadgePack::from(Fields::of(['id' => 'badge', 'version' => 1, 'name' => 'Badge', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => array_map(fn (string $knot): array => ['knot' => $knot, 'level' => 'has_it'], $leaves)]]));
    $term = array_map(fn (int $n): PlanMeeting => new PlanMeeting("m$n", '2026-11-0'.(3 + $n), 60, 2, $objects[$n] ?? null), range(0, $meetings - 1));

    return CoursePlanner::plan($learners, ['badge' => $badge], ['badge' => null], $term, Library::at(dirname(__DIR__, 3).'/packs'), $settings)->shownIn;
}

it('keeps to pins, bans and what there is to tie to', function (): void {
    expect(plannedWith(new PlanSettings, ['clove-hitch', 'figure-eight']))->toBe(['clove-hitch' => 'm0', 'figure-eight' => 'm0']);
    expect(plannedWith(new PlanSettings(pins: ['figure-eight' => 'm2']), ['clove-hitch', 'figure-eight']))->toBe(['clove-hitch' => 'm0', 'figure-eight' => 'm2']);
    expect(plannedWith(new PlanSettings(pins: ['figure-eight' => null]), ['clove-hitch', 'figure-eight'])['figure-eight'])->toBeNull();
    expect(plannedWith(new PlanSettings(bans: [new Ban('hitch', 'm0')]), ['clove-hitch', 'figure-eight']))->toBe(['clove-hitch' => 'm1', 'figure-eight' => 'm0']);
    expect(plannedWith(new PlanSettings(bans: [new Ban('clove-hitch', null)]), ['clove-hitch'])['clove-hitch'])->toBeNull();
    // Nothing to tie to on the first evening.
    expect(plannedWith(new PlanSettings, ['clove-hitch', 'figure-eight'], objects: [0 => []]))->toBe(['clove-hitch' => 'm1', 'figure-eight' => 'm0']);
    expect(fn () => plannedWith(new PlanSettings(pins: ['clove-hitch' => 'm9']), ['clove-hitch']))->toThrow(Refusal::class, 'a meeting still to come');
});

it('takes the group’s own pace into account', function (): void {
    $slow = Pace::from(array_fill(0, 60, ['kind' => 'new', 'planned' => 10.0, 'taken' => 45.0]));
    $knots = ['clove-hitch', 'figure-eight', 'timber-hitch'];
    expect(array_unique(plannedWith(new PlanSettings, $knots)))->toHaveCount(1);
    expect(array_unique(plannedWith(new PlanSettings(pace: $slow), $knots)))->toHaveCount(2);
});

it('chooses for the whole group, and shares knots between badges', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $badge = fn (string $id, array $requirement): BadgePack => BadgePack::from(Fields::of(['id' => $id, 'version' => 1, 'name' => $id, 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => $requirement]));
    $badges = [
        'must' => $badge('must', ['knot' => 'figure-eight']),
        // The overhand is quicker by itself, but the square knot is taught in any case.
        'may' => $badge('may', ['choose' => 1, 'of' => [['knot' => 'overhand'], ['knot' => 'figure-eight']]]),
    ];
    $learners = [new PlanLearner('a', AgeBand::From11, [], [], ['must', 'may']), new PlanLearner('b', AgeBand::From11, [], [], ['may']), new PlanLearner('c', AgeBand::From11, ['overhand' => Level::HasIt], [], ['may'])];
    $needs = CourseNeeds::of($learners, $badges, [], $library);
    expect($needs->order())->toBe(['figure-eight']);
    expect(array_keys($needs->learnersFor('figure-eight')))->toBe(['a', 'b']);
});

it('has who missed a knot taught beside the others, by one who has it', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $badge = BadgePack::from(Fields::of(['id' => 'badge', 'version' => 1, 'name' => 'Badge', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => [['knot' => 'figure-eight'], ['knot' => 'clove-hitch']]]]));
    $others = array_map(fn (int $n): PlanLearner => new PlanLearner("l$n", AgeBand::From11, ['clove-hitch' => Level::HasIt], [], ['badge']), range(1, 6));
    $learners = [...$others, new PlanLearner('lacks', AgeBand::From11, ['figure-eight' => Level::HasIt], [], ['badge']), new PlanLearner('free', AgeBand::From11, ['figure-eight' => Level::Kept, 'clove-hitch' => Level::Kept], [], ['badge'])];
    $meeting = new PlanMeeting('m', '2026-11-03', 45, 2);
    $plan = CoursePlanner::plan($learners, ['badge' => $badge], ['badge' => null], [$meeting, new PlanMeeting('n', '2026-11-10', 45, 2)], $library, new PlanSettings(pins: ['figure-eight' => 'm', 'clove-hitch' => 'm']));
    $lessons = array_values(array_filter($plan->stations('m'), fn ($block): bool => $block->knot !== null));
    expect(array_map(fn ($block): array => [$block->knot, count($block->learners)], $lessons))->toContain(['clove-hitch', 1])->toContain(['figure-eight', 6]);
    expect($plan->unmet)->toBe([]);
});
