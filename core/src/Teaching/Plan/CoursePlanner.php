<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanMeeting;

/**
 * Lays the open needs into the dated meetings, for the fewest unmet at their date, the badges completed soonest, and the
 * least crowding, in that order. Every meeting keeps time to start, to clear up and a share for old knots; a knot is kept
 * at the earliest one meeting after it was learned. What does not fit is listed with its reason and the cheapest remedy.
 */
final class CoursePlanner
{
    /**
     * @param  list<PlanLearner>  $learners
     * @param  array<string, BadgePack>  $badges  by id
     * @param  array<string, ?string>  $dates  by badge id: when it is to be done
     * @param  list<PlanMeeting>  $meetings  those still to come, by date
     */
    public static function plan(array $learners, array $badges, array $dates, array $meetings, Library $library, PlanSettings $settings = new PlanSettings): CoursePlan
    {
        $needs = CourseNeeds::of($learners, $badges, $dates, $library);
        $case = new PlanCase($needs, $learners, $meetings, $settings);
        $search = Search::in($case);
        $term = $search->term();
        $id = static fn (?int $meeting): ?string => $meeting === null || $meeting < 0 ? null : $meetings[$meeting]->id;
        $shownIn = $moved = [];
        foreach ($case->knots as $number => $knot) {
            if ($case->lacking[$number] !== $case->nobody) {
                $shownIn[$knot] = $id($term->choice[$number]);
            }
            if ($case->previous[$number] !== null && $case->previous[$number] !== $term->choice[$number]) {
                $moved[] = ['knot' => $knot, 'from' => $id($case->previous[$number]), 'to' => $id($term->choice[$number])];
            }
        }
        $completes = [];
        foreach ($term->completed($case) as $number => $meeting) {
            $completes[] = ['learner' => $learners[$case->goals[$number]['learner']]->id, 'badge' => $case->goals[$number]['badge'], 'meeting' => $id($meeting)];
        }

        return new CoursePlan(RunSheet::of($case, $term), Remedies::of($case, $term), $shownIn, $completes, $search->objective(), $search->bound(), $search->proven, $moved);
    }
}
