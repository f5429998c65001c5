<?php

declare(strict_types=1);

use Compadre\Core\Teaching\Plan\Objective;
use Compadre\Core\Teaching\Plan\PlanCase as Terms;
use Compadre\Core\Teaching\Plan\PlanSettings;
use Compadre\Core\Teaching\Plan\Rehearsal;
use Compadre\Core\Teaching\Plan\Search;

require_once __DIR__.'/PlanSeeds.php';

/** The best of every way to choose a meeting, or none, for each knot. */
function bestOfAll(Terms $case): Objective
{
    $best = null;
    $free = array_keys(array_filter($case->lacking, fn (string $who): bool => $who !== $case->nobody));
    $try = function (int $place, array $choice) use (&$try, &$best, $case, $free): void {
        if ($place < count($free)) {
            foreach ([-1, ...array_keys($case->meetings)] as $meeting) {
                $try($place + 1, array_replace($choice, [$free[$place] => $meeting]));
            }

            return;
        }
        foreach (Search::PATIENCE as $patience) {
            $term = Rehearsal::of($case, $choice, $patience);
            $mark = $term === null ? null : Objective::of($case, $term);
            $best = $mark !== null && ($best === null || $mark->isBetterThan($best)) ? $mark : $best;
        }
    };
    $try(0, array_fill(0, count($case->knots), -1));

    return $best;
}

it('finds the best plan there is, and proves it', function (int $knots, int $meetings, int $from, int $to): void {
    foreach (range($from, $to) as $seed) {
        $case = PlanSeeds::terms($seed, $knots, 3 + $seed % 5, $meetings, [30, 40, 45]);
        $search = Search::in($case);
        expect($search->objective())->toEqual(bestOfAll($case), "seed $seed");
        expect($search->proven)->toBeTrue("seed $seed");
        expect($search->bound())->toEqual($search->objective());
    }
})->with([
    '3 knots in 3 meetings' => [3, 3, 1, 140], '4 knots in 4 meetings' => [4, 4, 1, 60],
    '5 knots in 3 meetings' => [5, 3, 1, 25], '5 knots in 4 meetings' => [5, 4, 1, 8], '7 knots in 4 meetings' => [7, 4, 3, 3],
]);

it('is never worse than laying knots into the first meeting with room, and never better than its bound', function (): void {
    foreach (range(1, 40) as $seed) {
        $case = PlanSeeds::terms($seed, 12, 9, 6, [30, 45, 60]);
        $search = Search::in($case);
        $greedy = Objective::of($case, Search::quickly($case));
        expect($greedy->isBetterThan($search->objective()))->toBeFalse("seed $seed")
            ->and($search->objective()->isBetterThan($search->bound()))->toBeFalse("seed $seed");
    }
});

it('plans sixty knots for forty learners in thirty meetings within five of a hundred of the bound', function (int $seed): void {
    $case = PlanSeeds::terms($seed, 60, 40, 30, [60, 75, 90]);
    expect($case->knots)->not->toBe([])->and(count($case->meetings))->toBe(30)->and(count($case->learners))->toBe(40);
    $search = Search::in($case);
    expect($search->objective()->unmet - $search->bound()->unmet)->toBeLessThanOrEqual(0.05 * $case->total());
})->with(range(1, 20));

it('moves as little as it must', function (): void {
    foreach (range(1, 20) as $seed) {
        $case = PlanSeeds::terms($seed, 6, 7, 5, [45, 60]);
        $first = Search::in($case);
        $before = [];
        foreach ($case->knots as $knot => $id) {
            $before[$id] = ($case->meetings[$first->term()->choice[$knot]] ?? null)?->id;
        }
        // Nothing happened: nothing moves.
        $same = Search::in(PlanSeeds::terms($seed, 6, 7, 5, [45, 60], new PlanSettings(previous: $before)));
        expect($same->objective()->moved)->toBe(0)->and($same->objective()->unmet)->toBe($first->objective()->unmet);
        // A pin moves one knot: no fewer needs are met than with a free hand under that pin, and no more knots move than with it.
        $pinned = array_search('m0', $before, true) ?: null;
        if ($pinned === null) {
            continue;
        }
        $free = Search::in(PlanSeeds::terms($seed, 6, 7, 5, [45, 60], new PlanSettings(pins: [$pinned => 'm1'])));
        $again = PlanSeeds::terms($seed, 6, 7, 5, [45, 60], new PlanSettings(pins: [$pinned => 'm1'], previous: $before));
        $moved = Search::in($again);
        expect($moved->objective()->unmet)->toBe($free->objective()->unmet, "seed $seed");
        expect($moved->objective()->moved)->toBeLessThanOrEqual($free->term()->moved($again), "seed $seed")->toBeGreaterThan(0);
    }
});
