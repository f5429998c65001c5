<?php

declare(strict_types=1);

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Note;
use Compadre\Core\Teaching\Plan\CoursePlanner;
use Compadre\Core\Teaching\Plan\PlanCase;
use Compadre\Core\Teaching\Plan\PlanSettings;
use Compadre\Core\Teaching\Plan\RunSheet;
use Compadre\Core\Teaching\Plan\Search;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\RigUse;

require_once __DIR__.'/PlanSeeds.php';

/** @return array<string, PlanRig> of a case's own knots, some gated, some of poles, some for the big ones */
function seededRigs(PlanCase $case): array
{
    $rigs = [];
    foreach (range(1, 6) as $number) {
        $places = [];
        foreach (range(1, mt_rand(1, 2)) as $place) {
            $places[] = array_map(static fn (): string => $case->knots[mt_rand(0, count($case->knots) - 1)], range(0, mt_rand(0, 1)));
        }
        $rigs["r$number"] = new PlanRig("r$number", "Rig $number", mt_rand(3, 14), $places, mt_rand(0, 2) === 0 ? ['pole'] : [], mt_rand(0, 3) === 0 ? 14 : 5, mt_rand(0, 3) > 0);
    }

    return $rigs;
}

it('puts in only rigs that can stand there, whole, and where nothing else was to be', function (): void {
    [$found, $chosen] = [0, 0];
    foreach (range(1, 60) as $seed) {
        $bare = PlanSeeds::terms($seed, 8, 9, 5, [45, 60, 75]);
        if ($bare->knots === []) {
            continue;
        }
        $rigs = seededRigs($bare);
        $meetings = array_map(static fn (PlanMeeting $one): PlanMeeting => new PlanMeeting($one->id, $one->date, $one->minutes, $one->checkers, mt_rand(0, 1) === 0 ? null : [], mt_rand(0, 3) === 0 ? ['r'.mt_rand(1, 6)] : []), $bare->meetings);
        $case = new PlanCase($bare->needs, $bare->learners, $meetings, new PlanSettings(rigs: $rigs));
        $learners = array_combine(array_column($case->learners, 'id'), $case->learners);
        $have = array_map(static fn (PlanLearner $one): array => array_keys(array_filter($one->levels, static fn (Level $level): bool => $level->rung() >= 3)), $learners);
        $before = $stood = [];
        foreach (RunSheet::of($case, Search::quickly($case)) as $id => $blocks) {
            $meeting = $meetings[array_search($id, array_column($meetings, 'id'), true)];
            expect(array_sum(array_map(static fn (Block $block): float => $block->minutes, $blocks)))->toBeLessThanOrEqual($meeting->minutes + 1e-6);
            $taught = [];
            foreach ($blocks as $block) {
                foreach (in_array($block->kind, ['new', 'again'], true) ? $block->stations() : [] as $station) {
                    $taught[] = $station->knot;
                    foreach ($station->learners as $learner) {
                        $have[$learner][] = $station->knot;
                    }
                }
            }
            $standing = array_values(array_filter($blocks, static fn (Block $block): bool => $block->rig !== null));
            $there = array_filter($learners, static fn (PlanLearner $one): bool => ! in_array($id, $one->away, true));
            foreach (array_chunk($standing, 3) as $parts) {
                expect(array_column($parts, 'kind'))->toBe(['raise', 'inspect', 'strike']);
                $rig = $rigs[$parts[0]->rig];
                $minutes = array_sum(array_column($parts, 'minutes'));
                if ($meeting->rigs !== []) {
                    $chosen++;
                    $stood[$rig->id] = true;
                    expect($rig->id)->toBe($meeting->rigs[0])->and($minutes)->toEqualWithDelta(min($rig->minutes, $meeting->minutes - 10), 1e-6);

                    continue;
                }
                $found++;
                expect(isset($stood[$rig->id]))->toBeFalse();
                $stood[$rig->id] = true;
                expect($minutes)->toEqualWithDelta($rig->minutes, 1e-6)->and($rig->isOffered)->toBeTrue();
                expect($meeting->objects === null || array_diff($rig->objects, $meeting->objects) === [])->toBeTrue();
                // The slow obvious way: ask each who is there, place by place.
                foreach ($rig->places as $knots) {
                    $most = max(array_map(static fn (string $knot): int => count(array_filter(array_keys($there), static fn (string $one): bool => in_array($knot, $have[$one], true))), $knots));
                    expect($most)->toBeGreaterThanOrEqual(count($there) / 2);
                }
                expect(array_filter($there, static fn (PlanLearner $one): bool => $one->band->ages()[1] < $rig->ageFrom))->toBe([]);
                expect(array_intersect($rig->knots(), [...$taught, ...$before]))->not->toBe([]);
                expect($parts[0]->learners)->toBe(array_values(array_keys($there)));
            }
            expect($meeting->rigs === [] || $standing !== [])->toBeTrue();
            $before = $taught;
        }
    }
    expect($found)->toBeGreaterThan(20)->and($chosen)->toBeGreaterThan(20);
});

it('takes a chosen rig’s time from lessons, not from itself', function (): void {
    $badge = BadgePack::from(Fields::of(['id' => 'badge', 'version' => 1, 'name' => 'Badge', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => [['knot' => 'bowline', 'level' => 'has_it'], ['knot' => 'figure-eight', 'level' => 'has_it']]]]));
    $crew = array_map(static fn (int $n): PlanLearner => new PlanLearner("l$n", AgeBand::From11, [], [], ['badge']), range(1, 6));
    $rigs = ['tripod' => new PlanRig('tripod', 'Tripod', 25, [['tripod-lashing']], isOffered: false)];
    $plan = static fn (array $chosen) => CoursePlanner::plan($crew, ['badge' => $badge], ['badge' => null], [new PlanMeeting('m0', '2026-11-03', 40, 2, null, $chosen)], Library::at(dirname(__DIR__, 3).'/packs'), new PlanSettings(rigs: $rigs));
    // 40 minutes less 5 and 5 leave 30; the rig's 25 leave 5: no new knot fits, and both are unmet for all six.
    expect($plan([])->objective->terms()[0])->toEqual(0)->and($plan(['tripod'])->objective->terms()[0])->toBeGreaterThan(0);
    $blocks = $plan(['tripod'])->meetings['m0'];
    expect(array_map(static fn (Block $block): array => [$block->kind, $block->minutes], array_values(array_filter($blocks, static fn (Block $block): bool => $block->rig === 'tripod'))))->toBe([['raise', 15.0], ['inspect', 3.75], ['strike', 6.25]]);
});

it('prefers the rig that a badge wants a knot used in, once', function (): void {
    $badge = BadgePack::from(Fields::of(['id' => 'badge', 'version' => 1, 'name' => 'Badge', 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17], 'requirement' => ['all' => [['knot' => 'bowline', 'level' => 'uses_it', 'in' => 'The Ridge Shelter']]]]));
    $crew = array_map(static fn (int $n): PlanLearner => new PlanLearner("l$n", AgeBand::From11, ['bowline' => Level::HasIt, 'clove-hitch' => Level::HasIt], [], ['badge']), range(1, 4));
    $rigs = ['line-between' => new PlanRig('line-between', 'Line', 8, [['bowline']]), 'ridge-shelter' => new PlanRig('ridge-shelter', 'Ridge shelter', 20, [['bowline'], ['clove-hitch']])];
    $plan = CoursePlanner::plan($crew, ['badge' => $badge], ['badge' => null], [new PlanMeeting('m0', '2026-11-03', 60, 2), new PlanMeeting('m1', '2026-11-10', 60, 2)], Library::at(dirname(__DIR__, 3).'/packs'), new PlanSettings(rigs: $rigs));
    $stood = static fn (string $meeting): array => array_values(array_unique(array_filter(array_map(static fn (Block $block): ?string => $block->rig, $plan->meetings[$meeting]))));
    expect($stood('m0'))->toBe(['ridge-shelter'])->and($stood('m1'))->toBe([]);
    expect($plan->meetings['m0'][array_search('raise', array_column($plan->meetings['m0'], 'kind'), true)]->why)->toBe('4 learners have to use a knot of it for a badge.');
});

it('ticks off what a badge asks for by any name it gives the rig', function (string $in, bool $met): void {
    $use = new RigUse('ridge-shelter', 'Shelter under a ridge line', 'bowline');
    expect((new Leaf('bowline', Level::UsesIt, $in))->metBy(Level::HasIt, array_fill_keys($use->keys(), true)))->toBe($met);
    expect(isset(array_fill_keys($use->keys(), true)[(new Note('rig', $in))->key()]))->toBe($met);
    expect((new PlanRig('ridge-shelter', 'Shelter under a ridge line', 20, [['bowline']]))->isMeantBy(new Leaf('bowline', Level::UsesIt, $in)))->toBe($met);
})->with([
    ['A ridge shelter', true], ['ridge-shelter', true], ['the Ridge Shelter ', true], ['Shelter under a ridge line', true], ['A tripod', false], ['ridge', false],
]);

it('asks for the knot all the same, and for this knot', function (): void {
    $keys = array_fill_keys((new RigUse('tripod', 'Tripod', 'bowline'))->keys(), true);
    expect((new Leaf('bowline', Level::UsesIt))->metBy(Level::HasIt, $keys))->toBeTrue()->and((new Leaf('bowline', Level::UsesIt))->metBy(Level::WithHelp, $keys))->toBeFalse();
    expect((new Leaf('clove-hitch', Level::UsesIt))->metBy(Level::Kept, $keys))->toBeFalse()->and((new Leaf('bowline', Level::TeachesIt))->metBy(Level::HasIt, $keys))->toBeFalse();
});

it('makes no level of a knot used', function (): void {
    $event = static fn (string $id, Kind $kind, int $seq): CheckEvent => new CheckEvent($id, $kind, 'l1', 'bowline', 'phone', $seq, "2026-11-03 18:0$seq:00.000", '2026-11-03', 'leader', $kind === Kind::Result ? Verdict::HasIt : Verdict::Incomplete, Seen::Yes, Seen::Yes, Seen::Yes, 0);
    expect(Standings::derive([$event('a', Kind::Used, 1)]))->toBe([]);
    $with = Standings::derive([$event('a', Kind::Result, 1), $event('b', Kind::Used, 2)]);
    expect($with)->toEqual(Standings::derive([$event('a', Kind::Result, 1)]))->and($with[0]->level)->toBe(Level::HasIt);
});
