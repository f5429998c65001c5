<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * Patrols of a group. They are told apart by their names, and a name is the same whatever its capitals: learners of two patrols are
 * never taught at one station, so a name that was typed otherwise would split one in two.
 */
final class Patrols
{
    /**
     * The name of the patrol that is meant, as it is written already where there is one.
     *
     * @param  ?string  $typed  null or blanks for none
     * @param  iterable<?string>  $known  those of the others in the group
     */
    public static function meant(?string $typed, iterable $known): ?string
    {
        $name = LearnerName::tidy((string) $typed);
        foreach ($known as $one) {
            if ($one !== null && LearnerName::key(LearnerName::tidy($one)) === LearnerName::key($name)) {
                return $one;
            }
        }

        return $name === '' ? null : $name;
    }

    /**
     * The patrol that was named, as it is written now; null where nobody is in it any more.
     *
     * @param  list<string>  $patrols  that somebody is in
     */
    public static function among(?string $named, array $patrols): ?string
    {
        $meant = self::meant($named, $patrols);

        return in_array($meant, $patrols, true) ? $meant : null;
    }

    /**
     * How many rounds a knot takes at least that everybody needs: a station for each patrol, and at least one checker at each.
     *
     * @param  int  $patrols  0 or more; who has none goes with any
     * @param  int  $checkers  who check at the same time, 1 or more
     * @return int 1 or more
     */
    public static function rounds(int $patrols, int $checkers): int
    {
        return max(1, intdiv($patrols + $checkers - 1, $checkers));
    }
}
