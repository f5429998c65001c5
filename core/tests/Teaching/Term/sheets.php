<?php

declare(strict_types=1);

use Compadre\Core\Compute\PlanInput;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Evening;
use Compadre\Core\Teaching\Rounds\TermPlan;
use Compadre\Core\Teaching\Rounds\Wishes;
use Compadre\Core\Teaching\Term\Accepted;
use Compadre\Core\Teaching\Term\PlanPart;
use Compadre\Core\Teaching\Term\TermSheet;

require_once dirname(__DIR__).'/Rounds/RoundsSeeds.php';
require_once dirname(__DIR__).'/Rounds/planning.php';

/** @param  array<string, mixed>  $term  as `plan` takes it */
function courseOfTerm(array $term): Course
{
    static $library = null;

    return (new PlanInput($library ??= Library::at(packsOfKnots())))->course(Fields::of($term));
}

/** @return list<array{Course, TermPlan}> seeded terms that can be planned, planned at once */
function seededSheets(int $from, int $many, int $learners, int $knots, int $meetings): array
{
    $sheets = [];
    foreach (range($from, $from + $many - 1) as $seed) {
        try {
            $course = courseOfTerm(RoundsSeeds::term($seed, $learners, $knots, $meetings));
            $sheets[] = [$course, TermPlan::atOnce($course)];
        } catch (Refusal) {
        }
    }

    return $sheets;
}

/**
 * The same course after a plan for it was accepted, and perhaps something happened.
 *
 * @param  array<string, list<PlanPart>>  $parts
 * @param  ?list<PlanLearner>  $learners
 * @param  ?list<Evening>  $meetings
 */
function courseHolding(Course $course, array $parts, ?array $learners = null, ?array $meetings = null, bool $held = true): TermPlan
{
    $wishes = $course->wishes;
    $after = new Course($course->library, $course->now, $learners ?? $course->learners, $course->aims, $meetings ?? $course->meetings, new Wishes(
        $wishes->soon, $wishes->factor, $wishes->newKnots, $wishes->oldShare, $wishes->passRates, $wishes->pins, $wishes->bans, Accepted::promises($parts), $wishes->rigs, $held, $wishes->factors,
    ));

    return TermPlan::atOnce($after, Accepted::programs($after, $parts));
}

/** @return array<string, string> the meeting of each lesson, by learner and knot */
function lessonsOf(TermSheet $sheet): array
{
    $at = [];
    foreach (Accepted::promises($sheet->parts) as $promise) {
        if ($promise->isLesson) {
            $at["$promise->learner $promise->knot"] = $promise->meeting;
        }
    }
    ksort($at);

    return $at;
}
