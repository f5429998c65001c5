<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;

/**
 * The mistakes of a knot in the order in which this group makes them: how often its leaders have named each, and, as long as
 * that is seldom, how likely a beginner makes it.
 */
final class UsualMistakes
{
    /** What is computed of beginners at large weighs as much as so many checks. */
    private const PRIOR = 4.0;

    /**
     * @param  array<string, float>  $likely  0 to 1 by mistake, as computed; one that was not found in the diagram counts least
     * @param  array<string, int>  $named  how often by mistake
     * @return list<KnotMistake>
     */
    public static function of(KnotPack $knot, array $likely, array $named): array
    {
        $weight = static fn (KnotMistake $mistake): float => ($named[$mistake->id] ?? 0) + self::PRIOR * ($likely[$mistake->id] ?? 0.0);
        $mistakes = array_values($knot->mistakes);
        usort($mistakes, static fn (KnotMistake $a, KnotMistake $b): int => $weight($b) <=> $weight($a));

        return $mistakes;
    }
}
