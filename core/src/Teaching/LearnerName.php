<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A learner's display name: blanks put right, and the same name whatever its capitals.
 */
final class LearnerName
{
    public static function tidy(string $name): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', $name));
    }

    /** What two names have in common when they are taken for the same. */
    public static function key(string $name): string
    {
        return mb_strtolower($name);
    }

    /**
     * The name, with a number where the group has one like it.
     *
     * @param  array<int, string>  $taken
     */
    public static function apart(string $name, array $taken): string
    {
        $keys = array_map(self::key(...), $taken);
        $told = $name;
        for ($number = 2; in_array(self::key($told), $keys, true); $number++) {
            $told = "$name $number";
        }

        return $told;
    }
}
