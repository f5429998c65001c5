<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\KnotPack;

/**
 * Says why something does not fit and what would mend it most cheaply.
 */
final class UnmetReason
{
    /**
     * @param  list<string>  $learners
     * @param  list<PlanMeeting>  $meetings
     * @param  callable(PlanMeeting): float  $minutes
     * @param  list<string>  $waitsFor  prerequisites that did not fit either
     * @param  callable(): string  $remedy  where the meetings are full
     */
    public static function notShown(CourseNeeds $needs, string $knot, array $learners, array $meetings, callable $minutes, array $waitsFor, callable $remedy): UnmetNeed
    {
        $name = lcfirst($needs->knot($knot)->names[0]);
        if ($waitsFor !== []) {
            $first = lcfirst($needs->knot($waitsFor[0])->names[0]);

            return new UnmetNeed($knot, Level::HasIt, $learners, "The $name comes after the $first, which does not fit.", "Make room for the $first.");
        }
        $date = $needs->dueOn($knot);
        $inTime = array_values(array_filter($meetings, static fn (PlanMeeting $meeting): bool => $date === null || $meeting->date <= $date));
        if ($inTime === []) {
            return new UnmetNeed($knot, Level::HasIt, $learners, $date === null ? 'There is no meeting left.' : "There is no meeting left before $date.", 'Add a meeting.');
        }
        $longest = 0.0;
        $least = INF;
        foreach ($inTime as $meeting) {
            $longest = max($longest, $meeting->minutes - TimeModel::WELCOME - TimeModel::CLEAR_UP);
            $least = min($least, $minutes($meeting));
        }
        if ($least > $longest) {
            $more = (int) (ceil(($least - $longest) / 5) * 5);

            return new UnmetNeed($knot, Level::HasIt, $learners,
                sprintf('The %s takes %d minutes with this group, and the longest meeting has %d for it.', $name, (int) ceil($least), (int) floor($longest)),
                "Make one meeting $more minutes longer, or bring another checker.");
        }

        return new UnmetNeed($knot, Level::HasIt, $learners, 'The meetings are full with knots that come before it.', $remedy());
    }

    /**
     * @param  list<string>  $learners
     * @param  list<PlanMeeting>  $meetings
     */
    public static function notKept(KnotPack $knot, array $learners, array $meetings, string $remedy): UnmetNeed
    {
        $name = lcfirst($knot->names[0]);

        return $meetings === []
            ? new UnmetNeed($knot->id, Level::Kept, $learners, 'There is no meeting left.', 'Add a meeting.')
            : new UnmetNeed($knot->id, Level::Kept, $learners, "The $name has to be tied again on another day, and no later meeting has room for it.", $remedy);
    }
}
