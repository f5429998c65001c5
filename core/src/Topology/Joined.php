<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * Which of some numbered things hang together.
 */
final class Joined
{
    /**
     * @param  list<int>  $things
     * @param  list<array{int, int}>  $pairs
     * @return array<int, int> one thing of its set, the same for all of the set, by thing
     */
    public static function sets(array $things, array $pairs): array
    {
        $leader = array_combine($things, $things);
        $find = static function (int $thing) use (&$leader): int {
            while ($leader[$thing] !== $thing) {
                $leader[$thing] = $leader[$leader[$thing]];
                $thing = $leader[$thing];
            }

            return $thing;
        };
        foreach ($pairs as [$a, $b]) {
            $leader[$find($a)] = $find($b);
        }

        return array_map($find, array_combine($things, $things));
    }
}
