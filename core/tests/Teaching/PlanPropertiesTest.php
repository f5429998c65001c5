<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\AgeBand;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Plan\CoursePlan;
use Compadre\Core\Teaching\Plan\CoursePlanner;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;

/** What holds for every plan, whoever comes and whatever they work toward. */
final class PlanCase
{
    /**
     * @param  list<PlanLearner>  $learners
     * @param  array<string, BadgePack>  $badges
     * @param  list<PlanMeeting>  $meetings
     */
    private function __construct(public array $learners, public array $badges, public array $meetings)
    {
    }

    public static function seeded(int $seed): self
    {
        mt_srand($seed);
        $pick = static fn (array $from): mixed => $from[mt_rand(0, count($from) - 1)];
        $knots = array_values(array_filter(self::library()->ids(), static fn (string $id): bool => ! self::library()->knot($id)->isMistake));
        $badges = [];
        foreach (range(1, mt_rand(1, 3)) as $n) {
            shuffle($knots);
            $leaves = array_map(static fn (string $knot): array => ['knot' => $knot, 'level' => $pick(['with_help', 'has_it', 'kept'])], array_slice($knots, 0, mt_rand(2, 5)));
            $choice = array_map(static fn (string $knot): array => ['knot' => $knot, 'level' => 'has_it'], array_slice($knots, 5, 3));
            $badges["badge-$n"] = BadgePack::from(Fields::of([
                'id' => "badge-$n", 'version' => 1, 'name' => "Badge $n", 'about' => 'A badge.', 'ages' => ['from' => 5, 'to' => 17],
                'requirement' => ['all' => [...$leaves, ['choose' => mt_rand(1, 2), 'of' => $choice]]],
            ]));
        }
        $learners = [];
        foreach (range(1, mt_rand(2, 24)) as $n) {
            $levels = [];
            foreach (array_slice($knots, 0, mt_rand(0, 4)) as $knot) {
                $levels[$knot] = $pick([Level::Seen, Level::WithHelp, Level::HasIt, Level::Kept]);
            }
            $learners[] = new PlanLearner("l$n", $pick(AgeBand::cases()), $levels, [], array_slice(array_keys($badges), 0, mt_rand(1, count($badges))));
        }
        $start = new DateTimeImmutable('2026-11-03');
        $meetings = [];
        for ($n = 0; $n < mt_rand(1, 8); $n++) {
            $meetings[] = new PlanMeeting("m$n", $start->modify("+$n weeks")->format('Y-m-d'), $pick([20, 45, 60, 75, 90]), mt_rand(1, 4));
        }

        return new self($learners, $badges, $meetings);
    }

    public function plan(): CoursePlan
    {
        return CoursePlanner::plan($this->learners, $this->badges, array_fill_keys(array_keys($this->badges), null), $this->meetings, self::library());
    }

    /** How many new knots the youngest who come can take in. */
    public function newKnots(): int
    {
        $limits = array_map(static fn (PlanLearner $learner): int => match ($learner->band) {
            AgeBand::From5 => 1, AgeBand::From8 => 2, AgeBand::From11 => 3, AgeBand::From14 => 4,
        }, $this->learners);

        return min($limits);
    }

    public static function library(): Library
    {
        static $library = null;

        return $library ??= Library::at(dirname(__DIR__, 3).'/packs');
    }
}

it('never breaks its own rules', function (int $seed): void {
    $case = PlanCase::seeded($seed);
    $plan = $case->plan();
    $shown = [];
    $holders = [];
    $taught = [];
    foreach ($case->learners as $learner) {
        foreach ($learner->levels as $knot => $level) {
            if ($level->rung() >= Level::HasIt->rung()) {
                $holders[$knot][$learner->id] = true;
            }
        }
    }
    expect(array_keys($plan->meetings))->toBe(array_map(static fn (PlanMeeting $meeting): string => $meeting->id, $case->meetings));
    foreach ($case->meetings as $meeting) {
        $blocks = $plan->meetings[$meeting->id];
        $minutes = array_sum(array_map(static fn (Block $block): float => $block->minutes, $blocks));
        expect($minutes)->toBeLessThanOrEqual($meeting->minutes + 1e-6);
        $new = array_values(array_filter($blocks, static fn (Block $block): bool => $block->kind === 'new'));
        expect(count($new))->toBeLessThanOrEqual($case->newKnots());
        foreach ($blocks as $block) {
            expect($block->minutes)->toBeGreaterThan(0.0)->and($block->why)->not->toBe('');
            expect(array_diff($block->learners, array_map(static fn (PlanLearner $learner): string => $learner->id, $case->learners)))->toBe([]);
        }
        foreach ($plan->stations($meeting->id) as $block) {
            if (! in_array($block->kind, ['new', 'again'], true)) {
                continue;
            }
            // New but once, and never before the knots it builds on are known or have been taught to all it is for.
            expect($block->kind === 'new' && in_array($block->knot, $shown, true))->toBeFalse();
            foreach (PlanCase::library()->knot((string) $block->knot)->prerequisites as $before) {
                $unready = array_filter($block->learners, static fn (string $id): bool => ! isset($holders[$before][$id]) && ! isset($taught[$before][$id]));
                expect($unready)->toBe([], "$block->knot before $before");
            }
            $shown[] = $block->knot;
            $taught[$block->knot] = ($taught[$block->knot] ?? []) + array_fill_keys($block->learners, true);
        }
    }
    foreach ($plan->unmet as $need) {
        expect($need->reason)->toMatch('/\.$/')->and($need->remedy)->not->toBe('')->and($need->learners)->not->toBe([]);
    }
})->with(range(1, 60));

it('gives the same plan for the same input', function (): void {
    foreach ([3, 14, 27] as $seed) {
        expect(serialize(PlanCase::seeded($seed)->plan()))->toBe(serialize(PlanCase::seeded($seed)->plan()));
    }
});

it('leaves fewer needs unmet when there is more time', function (): void {
    foreach (range(1, 25) as $seed) {
        $case = PlanCase::seeded($seed);
        $count = static fn (CoursePlan $plan): int => array_sum(array_map(static fn ($need): int => count($need->learners), $plan->unmet));
        $short = CoursePlanner::plan($case->learners, $case->badges, array_fill_keys(array_keys($case->badges), null), array_slice($case->meetings, 0, 1), PlanCase::library());
        expect($count($case->plan()))->toBeLessThanOrEqual($count($short));
    }
});
