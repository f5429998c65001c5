<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Cause;
use Compadre\Core\Teaching\Rounds\Replay;
use Compadre\Core\Teaching\Rounds\Standing;
use Compadre\Core\Teaching\Rounds\TermPlan;
use Compadre\Core\Teaching\Term\Consequence;
use Compadre\Core\Teaching\Term\TermSheet;
use Compadre\Core\Teaching\Term\UnmetNeed;

require_once __DIR__.'/sheets.php';

it('writes evenings that can be kept to: block after block, nobody in two places, everybody there', function (): void {
    [$rounds, $beside, $helped, $tries] = [0, 0, 0, 0];
    foreach (seededSheets(8000, 40, 8, 6, 4) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        foreach ($course->meetings as $number => $meeting) {
            $clock = 0.0;
            foreach ($sheet->meetings[$meeting->id] as $block) {
                expect($block->start)->toEqualWithDelta($clock, 1e-6);
                $clock += $block->minutes;
                $busy = [];
                foreach ($block->stations() as $station) {
                    $people = [...$station->learners, ...$station->helpers];
                    expect($station->minutes)->toBeLessThanOrEqual($block->minutes + 1e-6)->and($station->start)->toEqualWithDelta($block->start, 1e-6);
                    // Second tries are taken one after another: somebody may want two.
                    expect($block->kind === 'tries' ? [] : array_intersect($busy, $people))->toBe([]);
                    $busy = [...$busy, ...$people];
                    $away = array_filter($course->learners, static fn ($one): bool => in_array($one->id, $people, true) && in_array($meeting->id, $one->away, true));
                    expect($away)->toBe([]);
                    $helped += count($station->helpers);
                }
                $isRound = in_array($block->kind, ['new', 'again'], true);
                $rounds += $isRound ? 1 : 0;
                $beside += $isRound ? count($block->beside) : 0;
                $tries += $block->kind === 'tries' ? 1 : 0;
            }
            // To the end of the meeting, but for less than a minute of nothing.
            expect($clock)->toBeLessThanOrEqual($meeting->minutes + 1e-6)->toBeGreaterThan(min($meeting->minutes, $meeting->opening + $meeting->closing + $course->room[$number]) - 1 - 1e-6);
        }
    }
    expect($rounds)->toBeGreaterThan(60)->and($beside)->toBeGreaterThan(15)->and($helped)->toBeGreaterThan(0)->and($tries)->toBeGreaterThan(3);
});

it('says of a knot that it is new once, the first time anybody meets it', function (): void {
    foreach (seededSheets(8100, 20, 6, 5, 4) as [$course, $plan]) {
        $met = [];
        foreach ($course->learners as $learner) {
            $met += array_fill_keys(array_keys($learner->levels), true);
        }
        foreach (TermSheet::of($plan)->meetings as $blocks) {
            foreach ($blocks as $block) {
                $now = [];
                foreach (in_array($block->kind, ['new', 'again'], true) ? $block->stations() : [] as $station) {
                    expect($station->kind)->toBe(isset($met[$station->knot]) ? 'again' : 'new');
                    $now[$station->knot] = true;
                }
                $met += $now;
            }
        }
    }
});

it('tells when knots are shown, when badges are done and what is missing as the plan has it', function (): void {
    $missing = 0;
    foreach (seededSheets(8200, 40, 5, 5, 3) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        $first = [];
        foreach ($sheet->meetings as $id => $blocks) {
            foreach ($blocks as $block) {
                foreach (in_array($block->kind, ['new', 'again'], true) ? $block->stations() : [] as $station) {
                    $first[$station->knot] ??= $id;
                }
            }
        }
        expect(array_filter($sheet->shownIn))->toEqual($first);
        expect($sheet->score->unmet)->toBe(count($plan->unmet));
        $told = array_sum(array_map(static fn (UnmetNeed $need): int => count($need->learners), $sheet->unmet));
        expect($told)->toBeLessThanOrEqual(count($plan->unmet));
        $missing += $told;
        foreach ($sheet->completes as $one) {
            expect($one['meeting'] === null || isset($sheet->meetings[$one['meeting']]))->toBeTrue();
        }
        // What is known at the last is counted again, pair by pair.
        $standing = $plan->found->outcome->standing;
        $learned = $known = 0.0;
        foreach ($course->pursuits as $pursuit) {
            foreach (array_unique(array_map(static fn (int $target): int => $course->targets[$target]->knot, $pursuit->ask->targets())) as $knot) {
                $pairs["$pursuit->learner $knot"] = [$pursuit->learner, $knot];
            }
        }
        foreach ($pairs ?? [] as [$learner, $knot]) {
            if ($standing->has($learner, $knot)) {
                $learned++;
                $known += $standing->chance($learner, $knot, $course->horizon);
            }
        }
        $pairs = [];
        expect($sheet->atLast->learned)->toEqual($learned)->and($sheet->atLast->known)->toEqualWithDelta($known, 1e-9);
    }
    expect($missing)->toBeGreaterThan(20);
});

it('names a cause for everything missing, and a change to try', function (): void {
    $causes = [];
    foreach (seededSheets(8300, 60, 4, 5, 2) as [, $plan]) {
        foreach (TermSheet::of($plan)->unmet as $need) {
            $causes[$need->cause->value] = true;
            expect($need->remedy === null || ! $need->toArray()['remedy']['tried'])->toBeTrue();
        }
    }
    expect(count($causes))->toBeGreaterThanOrEqual(4)->and(array_diff(array_keys($causes), array_column(Cause::cases(), 'value')))->toBe([]);
});

it('finds no difference between a plan and itself, and every one between two', function (): void {
    $numbers = array_flip(['m0', 'm1', 'm2', 'm3']);
    foreach (seededSheets(8400, 15, 5, 5, 4) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        $same = Consequence::of($sheet, $sheet, $numbers);
        expect($same['moves'])->toBe([])->and($same['lessons'])->toBe(0)->and($same['lost'])->toBe([])->and($same['badges'])->toBe([]);
        expect($same['unmet']['before'])->toBe($same['unmet']['after'])->and($sheet->isBetterThan($sheet))->toBeFalse();
        $less = TermSheet::of(courseHolding($course, $sheet->parts, null, array_slice($course->meetings, 0, 2)));
        $fewer = Consequence::of($sheet, $less, $numbers);
        $gone = array_filter(lessonsOf($sheet), static fn (string $meeting, string $who): bool => (lessonsOf($less)[$who] ?? null) !== $meeting, ARRAY_FILTER_USE_BOTH);
        expect($fewer['lessons'])->toBe(count($gone));
        expect($fewer['unmet']['after'] - $fewer['unmet']['before'])->toBe($less->score->unmet - $sheet->score->unmet);
        expect($less->score->unmet >= $sheet->score->unmet || $sheet->score->moved !== [])->toBeTrue();
    }
});

it('gives each tried second a place where those who were taught are next there', function (): void {
    $found = 0;
    foreach (seededSheets(8500, 30, 6, 5, 4) as [$course, $plan]) {
        $wanted = [];
        foreach ($plan->found->plan as $meeting => $program) {
            foreach (array_merge([], ...$program->rounds) as $station) {
                foreach ($station->learners as $learner) {
                    $next = $course->next[$meeting][$learner];
                    $wanted[$next][$course->knots[$station->knot]->id][] = $course->learners[$learner]->id;
                }
            }
        }
        foreach (TermSheet::of($plan)->meetings as $id => $blocks) {
            foreach (array_filter($blocks, static fn (Block $block): bool => $block->kind === 'tries') as $block) {
                $number = array_search($id, array_map(static fn ($one): string => $one->id, $course->meetings), true);
                foreach ($block->stations() as $station) {
                    $there = $wanted[$number][$station->knot];
                    expect($station->learners)->toEqualCanonicalizing($there);
                    $found++;
                }
            }
        }
    }
    expect($found)->toBeGreaterThan(5);
});

it('keeps what a rehearsal of its standing says for every meeting', function (): void {
    foreach (seededSheets(8600, 10, 5, 5, 4) as [$course, $plan]) {
        $sheet = TermSheet::of($plan);
        $standing = new Standing($course);
        $replay = new Compadre\Core\Teaching\Rounds\Replay($course);
        foreach ($plan->found->plan as $meeting => $program) {
            $replay->meeting($standing, $meeting, $program);
            $learned = 0;
            foreach ($course->asked as $learner => $knots) {
                $learned += count(array_filter(array_keys($knots), static fn (int $knot): bool => $standing->has($learner, $knot)));
            }
            $said = $sheet->remembered[$course->meetings[$meeting]->id];
            expect($said->learned)->toBe($learned)->and($said->known)->toBeLessThanOrEqual($learned + 1e-9);
        }
    }
});

it('is as good at once as bounds allow, and no better', function (): void {
    foreach (seededSheets(8700, 10, 5, 4, 3) as [$course, $plan]) {
        expect($plan->bound->unmet)->toBeLessThanOrEqual($plan->found->outcome->score->unmet);
        $whole = TermPlan::of($course);
        expect($plan->bound->unmet)->toBeLessThanOrEqual($whole->found->outcome->score->unmet);
    }
});

it('takes what is said to have been practised into the order of old knots in a meeting, and nothing else', function (): void {
    [$evenings, $moved, $kept] = [0, 0, 0];
    foreach (range(8200, 8319) as $seed) {
        $term = RoundsSeeds::term($seed, 6, 6, 5);
        mt_srand($seed);
        $told = $term;
        foreach ($told['learners'] as $number => $learner) {
            foreach (array_keys($learner['memories'] ?? []) as $knot) {
                mt_rand(0, 1) === 0 || $told['learners'][$number]['practised'][$knot] = date('Y-m-d', strtotime('2026-08-31 UTC') - 86400 * mt_rand(0, 30));
            }
        }
        try {
            [$plain, $hinted] = [TermPlan::atOnce(courseOfTerm($term)), TermPlan::atOnce(courseOfTerm($told))];
        } catch (Refusal) {
            continue;
        }
        expect($hinted->found->plan)->toEqual($plain->found->plan)->and($hinted->found->outcome->score)->toEqual($plain->found->outcome->score);
        $course = $hinted->course;
        $learners = array_flip(array_map(static fn (PlanLearner $one): string => $one->id, $course->learners));
        $knots = array_flip(array_map(static fn ($one): string => $one->id, $course->knots));
        [$before, $after] = [TermSheet::of($plain)->meetings, TermSheet::of($hinted)->meetings];
        $standing = new Standing($course);
        foreach ($course->meetings as $number => $meeting) {
            $old = static fn (array $blocks): array => array_values(array_filter($blocks, static fn (Block $block): bool => $block->kind === 'old'));
            [$was, $is] = [$old($before[$meeting->id]), $old($after[$meeting->id])];
            $others = static fn (array $blocks): array => array_values(array_map(static fn (Block $block): array => [$block->kind, round($block->minutes, 6)], array_filter($blocks, static fn (Block $block): bool => $block->kind !== 'old')));
            expect($others($after[$meeting->id]))->toBe($others($before[$meeting->id]));
            $names = static fn (array $blocks): array => array_map(static fn (Block $block): string => (string) $block->knot, $blocks);
            expect($names($is))->toEqualCanonicalizing($names($was));
            // The slow way: everybody's days since they last saw it or say to have, one by one.
            $known = [];
            $isTold = false;
            foreach ($is as $block) {
                $sum = 0.0;
                foreach ($block->learners as $id) {
                    $days = intdiv(strtotime("$meeting->date UTC") - 86400 * $standing->last[$learners[$id]][$knots[$block->knot]], 86400);
                    $said = $course->learners[$learners[$id]]->practised[$block->knot] ?? null;
                    if ($said !== null) {
                        $isTold = true;
                        $days = min($days, intdiv(strtotime("$meeting->date UTC") - strtotime("$said UTC"), 86400));
                    }
                    $sum += 0.5 ** (max(0, $days) / $standing->halfLife[$learners[$id]][$knots[$block->knot]]);
                }
                $known[] = [$block->why->code === 'teaching.can_show' ? 0 : 1, round($sum / count($block->learners), 9)];
            }
            if ($isTold) {
                $sorted = $known;
                sort($sorted);
                expect($known)->toBe($sorted);
                $evenings += count($is) > 1 ? 1 : 0;
                $kept += count(array_unique(array_column($known, 0))) > 1 ? 1 : 0;
                $moved += $names($is) === $names($was) ? 0 : 1;
            } else {
                expect($names($is))->toBe($names($was));
            }
            (new Replay($course))->meeting($standing, $number, $hinted->found->plan[$number]);
        }
    }
    expect([$evenings > 25, $moved > 6, $kept > 4])->toBe([true, true, true], "$evenings $moved $kept");
});
