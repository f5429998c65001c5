<?php

declare(strict_types=1);

use Compadre\Core\Checking\CheckEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Note;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\RigUse;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Evening;
use Compadre\Core\Teaching\Rounds\TermPlan;
use Compadre\Core\Teaching\Rounds\Wishes;
use Compadre\Core\Teaching\Term\TermSheet;
use Compadre\Core\Words\Catalogue;

require_once __DIR__.'/Term/sheets.php';

/** A seeded course with rigs of its own knots: some gated, some of poles, some for the big ones; some meetings without poles, some with a rig chosen. */
function courseWithRigs(int $seed): Course
{
    $bare = courseOfTerm(['pins' => []] + array_diff_key(RoundsSeeds::term($seed, 9, 6, 5), ['rigs' => true]));
    mt_srand($seed);
    $knots = array_map(static fn ($knot): string => $knot->id, $bare->knots);
    $rigs = [];
    foreach (range(1, 6) as $number) {
        $places = array_map(static fn (): array => array_map(static fn (): string => $knots[mt_rand(0, count($knots) - 1)], range(0, mt_rand(0, 1))), range(1, mt_rand(1, 2)));
        $rigs["r$number"] = new PlanRig("r$number", "Rig $number", mt_rand(3, 14), $places, mt_rand(0, 2) === 0 ? ['pole'] : [], mt_rand(0, 3) === 0 ? 14 : 5, mt_rand(0, 3) > 0);
    }
    $meetings = array_map(static fn (Evening $one): Evening => new Evening($one->id, $one->date, $one->minutes, $one->checkers, mt_rand(0, 1) === 0 ? null : [], 5, 5, mt_rand(0, 3) === 0 ? ['r'.mt_rand(1, 6)] : []), $bare->meetings);

    return new Course($bare->library, $bare->now, $bare->learners, $bare->aims, $meetings, new Wishes($bare->wishes->soon, rigs: $rigs));
}

it('puts in only rigs that can stand there, whole, and where nothing else was to be', function (): void {
    [$found, $chosen] = [0, 0];
    foreach (range(1, 50) as $seed) {
        $course = courseWithRigs($seed);
        $plan = TermPlan::atOnce($course);
        $sheet = TermSheet::of($plan);
        $learners = array_combine(array_column($course->learners, 'id'), $course->learners);
        $have = array_map(static fn ($one): array => array_keys(array_filter($one->levels, static fn (Level $level): bool => $level->rung() >= 3)), $learners);
        $before = [];
        foreach ($course->meetings as $number => $meeting) {
            $blocks = $sheet->meetings[$meeting->id];
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
            $there = array_filter($learners, static fn ($one): bool => ! in_array($meeting->id, $one->away, true));
            $planned = array_map(static fn (int $rig): string => $course->rigs[$rig]->id, $plan->found->plan[$number]->rigs);
            foreach (array_chunk($standing, 3) as $parts) {
                expect(array_column($parts, 'kind'))->toBe(['raise', 'inspect', 'strike'])->and($parts[0]->learners)->toEqualCanonicalizing(array_keys($there));
                $rig = $course->wishes->rigs[$parts[0]->rig];
                $minutes = array_sum(array_column($parts, 'minutes'));
                if (in_array($rig->id, $meeting->rigs, true)) {
                    $chosen++;
                    expect($minutes)->toBeLessThanOrEqual($rig->minutes + 1e-6);

                    continue;
                }
                $found++;
                expect($minutes)->toEqualWithDelta($rig->minutes, 1e-6)->and($rig->isOffered)->toBeTrue();
                expect($meeting->objects === null || array_diff($rig->objects, array_keys($meeting->objects)) === [])->toBeTrue();
                expect(array_filter($there, static fn ($one): bool => $one->band->ages()[1] < $rig->ageFrom))->toBe([]);
                if (! in_array($rig->id, $planned, true)) {
                    // The slow obvious way: ask each who is there, place by place.
                    foreach ($rig->places as $knots) {
                        $most = max(array_map(static fn (string $knot): int => count(array_filter(array_keys($there), static fn (string $one): bool => in_array($knot, $have[$one], true))), $knots));
                        expect($most)->toBeGreaterThanOrEqual(count($there) / 2);
                    }
                    expect(array_intersect($rig->knots(), [...$taught, ...$before]))->not->toBe([]);
                }
            }
            foreach ($meeting->rigs as $id) {
                expect($meeting->minutes > 10 ? array_column($standing, 'rig') : [$id])->toContain($id);
            }
            $before = $taught;
        }
    }
    expect($found)->toBeGreaterThan(15)->and($chosen)->toBeGreaterThan(15);
});

it('takes a chosen rig’s time from lessons, not from itself', function (): void {
    $plan = static function (array $chosen): TermSheet {
        $term = wholeTerm(array_map(static fn (int $n): array => termLearner("l$n"), range(1, 6)), [termBadge(['bowline' => 'has_it', 'figure-eight' => 'has_it'])], [termMeeting(0, 40, 2, ['rigs' => $chosen])], ['rigs' => [['id' => 'tripod', 'minutes' => 25, 'knots' => ['tripod-lashing-plain']]]]);

        return TermSheet::of(TermPlan::atOnce(courseOfTerm($term)));
    };
    // 40 minutes less 5 and 5 leave 30; the rig's 25 leave 5: no new knot fits all six.
    expect($plan([])->score->unmet)->toBe(0)->and($plan(['tripod'])->score->unmet)->toBeGreaterThan(0);
    $blocks = array_values(array_filter($plan(['tripod'])->meetings['m0'], static fn (Block $block): bool => $block->rig === 'tripod'));
    expect(array_map(static fn (Block $block): array => [$block->kind, $block->minutes], $blocks))->toBe([['raise', 15.0], ['inspect', 3.75], ['strike', 6.25]]);
});

it('prefers the rig that a badge wants a knot used in, once', function (): void {
    $leaves = [['knot' => 'bowline', 'level' => 'uses_it', 'in' => 'The Ridge Shelter']];
    $term = wholeTerm(array_map(static fn (int $n): array => termLearner("l$n", '11-13', ['levels' => ['bowline' => 'has_it', 'clove-hitch' => 'has_it']]), range(1, 4)),
        [['pack' => ['requirement' => ['all' => $leaves]] + termBadge(['bowline' => 'has_it'])['pack']]], [termMeeting(0, 60, 2), termMeeting(1, 60, 2)],
        ['rigs' => [['id' => 'line-between', 'minutes' => 8, 'knots' => ['bowline']], ['id' => 'ridge-shelter', 'minutes' => 20, 'knots' => ['bowline', 'clove-hitch']]]]);
    $plan = TermSheet::of(TermPlan::atOnce(courseOfTerm($term)));
    $stood = static fn (string $meeting): array => array_values(array_unique(array_filter(array_map(static fn (Block $block): ?string => $block->rig, $plan->meetings[$meeting]))));
    expect($stood('m0'))->toBe(['ridge-shelter'])->and($stood('m1'))->toBe([]);
    expect(Catalogue::english()->say($plan->meetings['m0'][array_search('raise', array_column($plan->meetings['m0'], 'kind'), true)]->why))->toBe('4 learners have to use a knot of it for a badge.');
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
