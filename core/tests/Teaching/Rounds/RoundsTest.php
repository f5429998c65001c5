<?php

declare(strict_types=1);

use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

require_once __DIR__.'/EveryPlan.php';
require_once __DIR__.'/RoundsSeeds.php';
require_once __DIR__.'/planning.php';

it('breaks no rule, says its terms truly, and says no less than is missing', function (int $from, int $many, int $learners, int $knots, int $meetings): void {
    $library = Library::at(packsOfKnots());
    $held = 0;
    foreach (range($from, $from + $many - 1) as $seed) {
        $term = RoundsSeeds::term($seed, $learners, $knots, $meetings);
        try {
            $plan = planOfTerm($term);
        } catch (Refusal $refusal) {
            expect($refusal->field)->toBe('/pins')->and($term)->toHaveKey('pins');

            continue;
        }
        $held++;
        $plain = new PlainTerm($term, $library);
        expect($plain->broken($plan))->toBeNull("seed $seed");
        expect(array_map(floatval(...), $plain->terms()))->toBe(array_map(floatval(...), $plan['objective']), "seed $seed");
        expect($plan['unmet'])->toHaveCount($plan['objective'][0]);
        [$terms, $bounds] = termsCompared($term, $plan);
        foreach ($terms as $place => $one) {
            expect($bounds[$place])->toBeLessThanOrEqual($one);
            expect($place < $plan['proven'] ? $bounds[$place] : null)->toBe($place < $plan['proven'] ? $one : null);
        }
        expect($plan['gap'] === 'No plan is better.')->toBe($plan['proven'] === 4);
    }
    expect($held)->toBeGreaterThan(intdiv($many, 2));
})->with([[1000, 15, 3, 3, 2], [1200, 5, 4, 3, 3], [1300, 4, 6, 5, 4]]);

it('is as good as the best of all plans there are, where it says so, and says so of every tiny term', function (): void {
    $library = Library::at(packsOfKnots());
    foreach ([0, 1, 3, 5, 7, 8, 10, 11, 12, 13, 14] as $seed) {
        $term = RoundsSeeds::term($seed + 5000, 2, 2, 2);
        $best = EveryPlan::best($term, $library);
        try {
            $plan = planOfTerm($term);
        } catch (Refusal) {
            expect($best)->toBeNull("seed $seed");

            continue;
        }
        expect($plan['proven'])->toBe(4)->and(termsCompared($term, $plan)[0])->toBe(array_map(floatval(...), $best), "seed $seed");
    }
});

it('plans the same whatever the order of its input', function (): void {
    foreach (range(1, 3) as $seed) {
        $term = RoundsSeeds::term($seed + 7000, 5, 4, 3);
        try {
            $plan = planOfTerm($term);
        } catch (Refusal) {
            continue;
        }
        expect(planOfTerm(RoundsSeeds::shuffled($term, $seed)))->toBe($plan);
    }
});

it('brings by each remedy what it says', function (): void {
    $tried = 0;
    foreach ([9004, 9012, 9013, 9014] as $seed) {
        $term = RoundsSeeds::term($seed, 3, 3, 2);
        $plan = planOfTerm($term);
        foreach ($plan['unmet'] as $one) {
            if ($one['remedy'] === null) {
                continue;
            }
            expect($one['remedy']['tried'])->toBeTrue()->and($one['remedy']['brings'])->toBeGreaterThan(0);
            $mended = planOfTerm(termMended($term, $one['remedy']['change']));
            // The whole search may do better yet than the quick one that tried it.
            expect($plan['objective'][0] - $mended['objective'][0])->toBeGreaterThanOrEqual($one['remedy']['brings']);
            $tried++;
        }
    }
    expect($tried)->toBeGreaterThan(5);
});
