<?php

declare(strict_types=1);

// Times the planner in rounds and sets it against its bounds: php -d opcache.enable_cli=1 -d opcache.jit=1255 -d opcache.jit_buffer_size=64M bench/rounds.php

use Compadre\Core\Teaching\Rounds\Aim;
use Compadre\Core\Teaching\Rounds\Bounds;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Search;
use Compadre\Core\Teaching\Rounds\TermPlan;
use Compadre\Core\Teaching\Rounds\Wishes;

require dirname(__DIR__).'/vendor/autoload.php';
require dirname(__DIR__).'/core/tests/Teaching/PlanSeeds.php';

/** @param  list<int>  $minutes  of a meeting, one of these */
function courseOf(int $seed, int $knots, int $learners, int $meetings, array $minutes): Course
{
    [$crew, $badges, $dates, $term] = PlanSeeds::parts($seed, $knots, $learners, $meetings, $minutes);
    $aims = [];
    foreach ($badges as $id => $badge) {
        $aims[$id] = new Aim($badge, $dates[$id]);
    }

    return new Course(PlanSeeds::library(), '2026-11-01', $crew, $aims, $term, new Wishes(soon: true));
}

foreach ([['Five typical terms: 15 knots, 16 learners, 10 meetings', 5, 15, 16, 10, [60]], ['Twenty tight ones: 36 knots, 40 learners, 30 meetings of 45 minutes', 20, 36, 40, 30, [45]]] as [$title, $many, $knots, $learners, $meetings, $minutes]) {
    echo "$title\n";
    foreach (range(1, $many) as $seed) {
        $course = courseOf($seed, $knots, $learners, $meetings, $minutes);
        $start = hrtime(true);
        $found = Search::in($course);
        $seconds = (hrtime(true) - $start) / 1e9;
        printf("%3d  %s  bound %s  %.2f s\n", $seed, json_encode($found->outcome->score->toArray()), json_encode(Bounds::of($course, $found->outcome->score)->toArray()), $seconds);
    }
}
printf("%.0f MB at the most\n", memory_get_peak_usage() / 1e6);

echo "Small terms: how many of the four terms are proven\n";
foreach ([[3, 3, 2], [4, 4, 3]] as [$knots, $learners, $meetings]) {
    $proven = array_fill(0, 5, 0);
    $start = hrtime(true);
    foreach (range(1, 40) as $seed) {
        $proven[TermPlan::of(courseOf($seed, $knots, $learners, $meetings, [20, 30, 45]))->proven]++;
    }
    printf("%d x %d x %d: %s of 40, %.2f s each\n", $knots, $learners, $meetings, implode(', ', array_map(static fn (int $count, int $terms): string => "$terms: $count", $proven, array_keys($proven))), (hrtime(true) - $start) / 4e10);
}
