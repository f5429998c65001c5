<?php

declare(strict_types=1);

require_once __DIR__.'/sheets.php';
require_once __DIR__.'/Simulation.php';

it('keeps its word through a term in which tries fail and learners stay away', function (): void {
    $promised = $kept = $moved = 0;
    foreach (range(1, 8) as $seed) {
        $course = courseOfTerm(array_diff_key(RoundsSeeds::term(9600 + $seed, 8, 5, 6), ['pins' => true]));
        mt_srand($seed);
        $term = (new Simulation($course))->play();
        $promised += $term->promised;
        $kept += $term->kept;
        $moved += $term->moved;
        // Chance may be kind: more can be met than was expected, never more than there is.
        expect($term->unmet)->toBeGreaterThanOrEqual(0);
    }
    expect($promised)->toBeGreaterThan(150)->and($kept / $promised)->toBeGreaterThan(0.9)->and($moved / $promised)->toBeLessThan(0.2);
});

it('comes out as planned where nobody is away and every try passes', function (): void {
    foreach (range(1, 8) as $seed) {
        $course = courseOfTerm(array_diff_key(RoundsSeeds::term(9700 + $seed, 6, 5, 4), ['pins' => true, 'rigs' => true]));
        mt_srand($seed);
        $term = (new Simulation($course, away: 0.0, pass: 1.0))->play();
        expect($term->kept)->toBe($term->promised)->and($term->moved)->toBe(0);
    }
});
