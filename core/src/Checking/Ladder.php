<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * The level a learner has reached with a knot, from all results in order. It never falls.
 */
final class Ladder
{
    /** @param  list<DayResult>  $results in order */
    public static function level(array $results): ?Level
    {
        $reached = null;
        $firstDay = null;
        foreach ($results as $result) {
            $now = match ($result->verdict) {
                Verdict::HasIt => Level::HasIt,
                Verdict::WithHelp => Level::WithHelp,
                default => Level::Seen,
            };
            if ($result->verdict === Verdict::HasIt) {
                // What a learner had before the app was had on some earlier day, whichever.
                $day = $result->prior ? '' : $result->day;
                if ($firstDay !== null && $day !== $firstDay) {
                    $now = Level::Kept;
                }
                $firstDay ??= $day;
            }
            $reached = $reached === null || $now->rung() > $reached->rung() ? $now : $reached;
        }

        return $reached;
    }
}
