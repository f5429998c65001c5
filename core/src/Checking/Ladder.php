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
        return self::climbed($results)[0];
    }

    /**
     * The level reached, and the day on which each rung was first reached or passed.
     *
     * @param  list<DayResult>  $results in order
     * @return array{?Level, array<int, string>} days by rung
     */
    public static function climbed(array $results): array
    {
        [$level, $steps] = self::steps($results);

        return [$level, array_map(static fn (int $result): string => $results[$result]->day, $steps)];
    }

    /**
     * The level reached, and the result with which each rung was first reached or passed.
     *
     * @param  list<DayResult>  $results in order
     * @return array{?Level, array<int, int>} places in the list, by rung
     */
    public static function steps(array $results): array
    {
        $reached = null;
        $firstDay = null;
        $steps = [];
        foreach ($results as $place => $result) {
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
            if ($reached === null || $now->rung() > $reached->rung()) {
                for ($rung = ($reached?->rung() ?? 0) + 1; $rung <= $now->rung(); $rung++) {
                    $steps[$rung] = $place;
                }
                $reached = $now;
            }
        }

        return [$reached, $steps];
    }
}
