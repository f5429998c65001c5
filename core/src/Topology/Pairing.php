<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * Which ends are joined with which, written as "a-b,c-d" with everything in order of the alphabet.
 */
final class Pairing
{
    /** @param  list<array{string, string}>  $pairs */
    public static function key(array $pairs): string
    {
        $written = [];
        foreach ($pairs as [$a, $b]) {
            $written[] = strcmp($a, $b) < 0 ? "$a-$b" : "$b-$a";
        }
        sort($written);

        return implode(',', $written);
    }

    /** @return list<array{string, string}> */
    public static function pairs(string $key): array
    {
        $pairs = [];
        foreach ($key === '' ? [] : explode(',', $key) as $written) {
            $at = (int) strpos($written, '-');
            $pairs[] = [substr($written, 0, $at), substr($written, $at + 1)];
        }

        return $pairs;
    }

    /**
     * How many circles two pairings of the same ends close together.
     *
     * @param  list<array{string, string}>  $first
     * @param  list<array{string, string}>  $second
     */
    public static function circles(array $first, array $second): int
    {
        $over = self::partners($first);
        $under = self::partners($second);
        $circles = 0;
        while ($over !== []) {
            $start = (string) array_key_first($over);
            $end = $start;
            do {
                $across = $over[$end];
                unset($over[$end], $over[$across]);
                $end = $under[$across] ?? $start;
            } while ($end !== $start);
            $circles++;
        }

        return $circles;
    }

    /**
     * @param  list<array{string, string}>  $pairs
     * @return array<string, string>
     */
    private static function partners(array $pairs): array
    {
        $partners = [];
        foreach ($pairs as [$a, $b]) {
            $partners[$a] = $b;
            $partners[$b] = $a;
        }

        return $partners;
    }
}
