<?php

declare(strict_types=1);

// Times the planner and the cut plans, and sets them against their bounds: php bench/plan.php. Speed is measured here and never in a test.

use Compadre\Core\Rope\Cutting;
use Compadre\Core\Teaching\Plan\Search;

require dirname(__DIR__).'/vendor/autoload.php';
require dirname(__DIR__).'/core/tests/Teaching/PlanSeeds.php';

echo "Twenty plans of 60 knots, 40 learners and 30 meetings\n";
foreach (range(1, 20) as $seed) {
    $case = PlanSeeds::terms($seed, 60, 40, 30, [60, 75, 90]);
    $start = hrtime(true);
    $search = Search::in($case);
    $seconds = (hrtime(true) - $start) / 1e9;
    [$unmet, $bound] = [$search->objective()->unmet, $search->bound()->unmet];
    printf("%3d  %5d needs  %4d unmet, bound %4d, gap %.1f %% of the needs  %.2f s\n", $seed, $case->total(), $unmet, $bound, 100 * ($unmet - $bound) / $case->total(), $seconds);
}

echo "Two hundred cut plans of up to 40 pieces of up to 4 lengths from up to 12 stocks\n";
mt_srand(1);
[$waste, $bound, $proven, $slowest] = [0, 0, 0, 0.0];
foreach (range(1, 200) as $seed) {
    $pieces = array_map(fn (): array => ['count' => mt_rand(1, 10), 'length' => mt_rand(3, 20) * 100], range(1, mt_rand(1, 4)));
    $stock = array_map(fn (int $number): array => ['id' => "s$number", 'length' => mt_rand(0, 5) > 0 ? mt_rand(5, 60) * 100 : mt_rand(10, 50) * 1000], range(1, mt_rand(1, 12)));
    $start = hrtime(true);
    $plan = Cutting::plan($pieces, $stock);
    $slowest = max($slowest, (hrtime(true) - $start) / 1e9);
    $waste += $plan->waste;
    $bound += $plan->bound;
    $proven += $plan->proven ? 1 : 0;
}
printf("%d mm wasted against a bound of %d mm; %d of 200 proven best; slowest %.2f s\n", $waste, $bound, $proven, $slowest);
