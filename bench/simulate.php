<?php

declare(strict_types=1);

// Plays typical terms as they might go, one learner in ten away and three first tries in ten failing, and says how a plan that was accepted holds:
// php -d opcache.enable_cli=1 -d opcache.jit=1255 -d opcache.jit_buffer_size=64M bench/simulate.php [TERMS]

use Compadre\Core\Teaching\Rounds\Aim;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Wishes;

require dirname(__DIR__).'/vendor/autoload.php';
require dirname(__DIR__).'/core/tests/Teaching/PlanSeeds.php';
require dirname(__DIR__).'/core/tests/Teaching/Term/Simulation.php';

$many = (int) ($argv[1] ?? 200);
foreach (['soon' => true, 'keep' => false] as $pace => $soon) {
    $sums = array_fill_keys(['promised', 'kept', 'moved', 'expected', 'unmet'], 0);
    $start = hrtime(true);
    foreach (range(1, $many) as $seed) {
        [$crew, $badges, $dates, $term] = PlanSeeds::parts($seed, 15, 16, 10, [60]);
        $aims = [];
        foreach ($badges as $id => $badge) {
            $aims[$id] = new Aim($badge, $dates[$id]);
        }
        mt_srand($seed);
        $played = (new Simulation(new Course(PlanSeeds::library(), '2026-11-01', $crew, $aims, $term, new Wishes(soon: $soon))))->play();
        foreach (array_keys($sums) as $what) {
            $sums[$what] += $played->{$what};
        }
    }
    printf("%s: %d terms of 16 learners, 15 knots, 10 meetings, %.1f s each\n", $pace, $many, (hrtime(true) - $start) / 1e9 / $many);
    printf("  of %d promises for the evening that came, %.1f %% kept; %.2f promises for later moved a meeting\n", $sums['promised'], 100 * $sums['kept'] / max(1, $sums['promised']), $sums['moved'] / $many / 10);
    printf("  left out in the mean: %.1f as planned at first, %.1f as it came\n", $sums['expected'] / $many, $sums['unmet'] / $many);
}
printf("%.0f MB at the most\n", memory_get_peak_usage() / 1e6);
