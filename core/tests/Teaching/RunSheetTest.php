<?php

declare(strict_types=1);

use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\Plan\Bits;
use Compadre\Core\Teaching\Plan\Rehearsal;
use Compadre\Core\Teaching\Plan\RunSheet;
use Compadre\Core\Teaching\Plan\Search;
use Compadre\Core\Teaching\TimeModel;

require_once __DIR__.'/PlanSeeds.php';

it('writes sheets that an evening can keep to', function (int $seed): void {
    $case = PlanSeeds::terms($seed, 14, 16, 6, [45, 60, 75]);
    $sheets = RunSheet::of($case, Search::in($case)->term());
    $learners = array_column(array_map(fn ($learner): array => ['id' => $learner->id, 'learner' => $learner], $case->learners), 'learner', 'id');
    $beside = 0;
    foreach ($case->meetings as $meeting) {
        $clock = 0.0;
        foreach ($sheets[$meeting->id] as $block) {
            expect($block->start)->toEqualWithDelta($clock, 1e-6);
            $clock += $block->minutes;
            $busy = [];
            expect(count($block->stations()))->toBeLessThanOrEqual(max(1, $meeting->checkers));
            foreach ($block->stations() as $station) {
                // Nobody is in two places, nobody is planned in who is away, and a station takes no longer than what it stands beside.
                expect(array_intersect($busy, $station->learners))->toBe([]);
                expect($station->minutes)->toBeLessThanOrEqual($block->minutes + 1e-6)->and($station->start)->toEqualWithDelta($block->start, 1e-6);
                $busy = [...$busy, ...$station->learners];
                foreach ($station->learners as $id) {
                    expect($learners[$id]->away)->not->toContain($meeting->id);
                }
            }
            foreach ($block->beside as $station) {
                $beside++;
                if ($station->teacher !== null) {
                    expect($busy)->not->toContain($station->teacher)->and($learners[$station->teacher]->away)->not->toContain($meeting->id);
                    expect(CourseNeeds::holds($learners[$station->teacher], (string) $station->knot))->toBeTrue();
                }
            }
        }
        expect($clock)->toBeLessThanOrEqual($meeting->minutes + 1e-6);
        expect($sheets[$meeting->id][0]->minutes)->toBe((float) TimeModel::WELCOME);
    }
    expect($beside)->toBeGreaterThanOrEqual(0);
})->with(range(1, 25));

it('sets some at a station of their own, somewhere', function (): void {
    $beside = 0;
    foreach (range(1, 25) as $seed) {
        $case = PlanSeeds::terms($seed, 14, 16, 6, [45, 60, 75]);
        foreach (RunSheet::of($case, Search::quickly($case)) as $blocks) {
            $beside += array_sum(array_map(fn (Block $block): int => count($block->beside), $blocks));
        }
    }
    expect($beside)->toBeGreaterThan(5);
});

it('divides a lesson into showing, tying along, tries and checking', function (): void {
    $parts = (new Block('new', 12.0, 'bowline', ['a'], 'Why.', checking: 2.0))->parts();
    expect(array_column($parts, 'minutes', 'part'))->toBe(['show' => 2.0, 'along' => 3.5, 'tries' => 4.5, 'check' => 2.0])->and((new Block('old', 3.0, 'bowline', ['a'], 'Why.'))->parts())->toBe([]);
});

it('counts sets of learners as strings of bits', function (): void {
    foreach ([1, 7, 8, 9, 40, 100] as $size) {
        $members = array_values(array_filter(range(0, $size - 1), fn (int $member): bool => $member % 3 === 0));
        $set = Bits::of($size, $members);
        expect(Bits::members($set))->toBe($members)->and(Bits::size($set))->toBe(count($members))->and(Bits::has($set, 0))->toBeTrue();
        expect(Bits::size($set & ~$set))->toBe(0)->and($set & Bits::none($size))->toBe(Bits::none($size));
    }
});

it('plays no term in which a lesson does not fit', function (): void {
    $case = PlanSeeds::terms(3, 12, 9, 4, [30]);
    $all = array_fill(0, count($case->knots), 0);
    expect(Rehearsal::of($case, $all))->toBeNull();
    $none = Rehearsal::of($case, array_fill(0, count($case->knots), -1));
    expect($none)->not->toBeNull()->and(array_merge(...$none->lessons))->toBe([]);
    // With nothing shown, all that could be met is what someone has already and has to tie again.
    expect($none->unmet())->toBeLessThanOrEqual($case->total())->toBeGreaterThan(0);
});
