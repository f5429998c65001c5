<?php

declare(strict_types=1);

use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Evening;
use Compadre\Core\Teaching\Rounds\Program;
use Compadre\Core\Teaching\Rounds\Replay;
use Compadre\Core\Teaching\Rounds\Station;
use Compadre\Core\Teaching\Term\Accepted;
use Compadre\Core\Teaching\Term\PartKind;
use Compadre\Core\Teaching\Term\PlanPart;
use Compadre\Core\Teaching\Term\TermSheet;

require_once __DIR__.'/sheets.php';

it('writes a plan down and reads the same plan back', function (): void {
    $read = 0;
    foreach (seededSheets(9000, 30, 6, 5, 4) as [$course, $plan]) {
        $inOrder = static fn (array $programs): array => array_map(static fn (Program $program): Program => $program->withRounds(array_map(static fn (array $round): array => array_map(static function (Station $station): Station {
            [$learners, $helpers] = [$station->learners, $station->helpers];
            sort($learners);
            sort($helpers);

            return $station->teaching($learners)->helpedBy($helpers);
        }, $round), $program->rounds)), $programs);
        expect($inOrder(Accepted::programs($course, Accepted::partsOf($course, $plan->found))))->toEqual($inOrder($plan->found->plan));
        $read++;
    }
    expect($read)->toBeGreaterThan(15);
});

it('moves nobody where nothing has happened', function (): void {
    $lessons = 0;
    foreach (seededSheets(9100, 20, 6, 5, 4) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        $held = courseHolding($course, $sheet->parts);
        expect($held->found->outcome->score->moved)->each->toBe(0);
        expect(array_intersect_assoc(lessonsOf($sheet), lessonsOf(TermSheet::of($held))))->toBe(lessonsOf($sheet));
        expect($held->found->outcome->score->unmet)->toBeLessThanOrEqual($plan->found->outcome->score->unmet);
        $lessons += count(lessonsOf($sheet));
    }
    expect($lessons)->toBeGreaterThan(100);
});

it('keeps its word to all who are still there when somebody is away', function (): void {
    $kept = $broken = 0;
    foreach (seededSheets(9200, 25, 6, 5, 4) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        $first = $course->meetings[0]->id;
        $gone = $course->learners[0]->id;
        $learners = array_map(static fn (PlanLearner $one): PlanLearner => $one->id !== $gone ? $one : new PlanLearner($one->id, $one->band, $one->levels, $one->memories, $one->badges, [...$one->away, $first], $one->ticked, $one->patrol), $course->learners);
        try {
            $held = TermSheet::of(courseHolding($course, $sheet->parts, $learners));
        } catch (Compadre\Core\Refusal) {
            continue;
        }
        $now = lessonsOf($held);
        foreach (lessonsOf($sheet) as $who => $meeting) {
            if (! str_starts_with($who, "$gone ")) {
                ($now[$who] ?? null) === $meeting ? $kept++ : $broken++;
            } elseif ($meeting === $first) {
                expect($now[$who] ?? null)->not->toBe($first);
            }
        }
    }
    // Whoever only a learner who is away was to help may have to wait.
    expect($kept)->toBeGreaterThan(150)->and($broken)->toBeLessThan($kept / 20);
});

it('fills in what becomes free, and breaks no rule with one checker less', function (): void {
    $seen = 0;
    foreach (seededSheets(9300, 25, 6, 5, 4) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        $meetings = array_map(static fn (Evening $one): Evening => new Evening($one->id, $one->date, $one->minutes, max(1, $one->checkers - 1), $one->objects, $one->opening, $one->closing, $one->rigs), $course->meetings);
        try {
            $held = courseHolding($course, $sheet->parts, null, $meetings);
        } catch (Compadre\Core\Refusal) {
            continue;
        }
        $seen++;
        expect((new Replay($held->course))->of($held->found->plan))->not->toBeNull();
        foreach (TermSheet::of($held)->meetings as $id => $blocks) {
            $evening = array_values(array_filter($meetings, static fn (Evening $one): bool => $one->id === $id))[0];
            foreach ($blocks as $block) {
                $checkers = array_sum(array_map(static fn ($station): int => $station->checkers, $block->stations()));
                expect($checkers)->toBeLessThanOrEqual($evening->checkers);
            }
        }
    }
    expect($seen)->toBeGreaterThan(12);
});

it('leaves out whoever and whatever is no more', function (): void {
    [[$course]] = seededSheets(9400, 1, 4, 4, 3);
    $meeting = $course->meetings[0]->id;
    $parts = [$meeting => [
        new PlanPart(PartKind::Lesson, 'no-such-knot', [$course->learners[0]->id]), new PlanPart(PartKind::Lesson, $course->knots[0]->id, ['nobody']),
        new PlanPart(PartKind::Rig, 'no-such-rig'), new PlanPart(PartKind::Lesson, $course->knots[0]->id, [$course->learners[1]->id, 'nobody'], ['nobody'], 1, 99),
    ], 'gone' => [new PlanPart(PartKind::Old, $course->knots[0]->id, [$course->learners[0]->id])]];
    $program = Accepted::programs($course, $parts)[0];
    expect($program->old)->toBe([])->and($program->rigs)->toBe([])->and($program->rounds)->toHaveCount(1);
    expect($program->rounds[0][0]->learners)->toBe([1])->and($program->rounds[0][0]->helpers)->toBe([])->and($program->rounds[0][0]->checkers)->toBe($course->meetings[0]->checkers);
});
