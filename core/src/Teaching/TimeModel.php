<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * Minutes of a meeting's blocks. A new knot: the pack's minutes x age factor (youngest band) x (1 + 0.02 for each
 * learner above 8), plus half a minute of checking a learner, shared by the checkers. An old knot: 2 minutes and a
 * quarter of a minute a learner, shared likewise. Badges handed over: a minute to gather, and one for each.
 */
final class TimeModel
{
    public const WELCOME = 5;

    public const CLEAR_UP = 5;

    public const OLD_SHARE = 0.2;

    public static function newKnot(int $packMinutes, AgeBand $youngest, int $learners, int $checkers): float
    {
        return self::lesson($packMinutes * $youngest->factor(), $learners, $checkers);
    }

    /** A lesson for so many, from the minutes it takes to show it to up to eight. */
    public static function lesson(float $showing, int $learners, int $checkers): float
    {
        return $showing * (1 + 0.02 * max(0, $learners - 8)) + self::checking($learners, $checkers);
    }

    /** Half a minute a learner, shared by the checkers. */
    public static function checking(int $learners, int $checkers): float
    {
        return 0.5 * $learners / max(1, $checkers);
    }

    public static function handingOver(int $badges): float
    {
        return $badges === 0 ? 0.0 : 1.0 + $badges;
    }

    public static function oldKnot(int $learners, int $checkers): float
    {
        return 2 + 0.25 * $learners / max(1, $checkers);
    }
}
