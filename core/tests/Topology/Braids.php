<?php

declare(strict_types=1);

namespace Compadre\Core\Tests\Topology;

/**
 * Closed diagrams to test with: braids and their closures as planar diagram codes.
 */
final class Braids
{
    /**
     * The closure of a braid. Letters are generators: n lets strand n pass over strand n+1 from left to right, -n under it.
     *
     * @param  list<int>  $word
     * @return list<array{int, int, int, int}>
     */
    public static function closure(int $strands, array $word): array
    {
        $at = range(1, $strands);
        $next = $strands;
        $crossings = [];
        foreach ($word as $letter) {
            $left = abs($letter) - 1;
            [$a, $b] = [$at[$left], $at[$left + 1]];
            [$c, $d] = [++$next, ++$next];
            $crossings[] = $letter > 0 ? [$b, $d, $c, $a] : [$a, $b, $d, $c];
            [$at[$left], $at[$left + 1]] = [$c, $d];
        }
        $closes = array_combine($at, range(1, $strands));

        return self::numbered(array_map(static fn (array $edges): array => array_map(static fn (int $edge): int => $closes[$edge] ?? $edge, $edges), $crossings));
    }

    /**
     * Edges numbered from 1 without gaps, in order of size.
     *
     * @param  list<array{int, int, int, int}>  $crossings
     * @return list<array{int, int, int, int}>
     */
    public static function numbered(array $crossings): array
    {
        $edges = array_unique(array_merge(...array_map(array_values(...), $crossings)));
        sort($edges);
        $number = array_flip($edges);

        return array_map(static fn (array $four): array => array_map(static fn (int $edge): int => $number[$edge] + 1, $four), $crossings);
    }

    /**
     * The mirror image: every strand that was on top is underneath.
     *
     * @param  list<array{int, int, int, int}>  $crossings
     * @param  list<int>  $signs
     * @return list<array{int, int, int, int}>
     */
    public static function mirrored(array $crossings, array $signs): array
    {
        return array_map(static fn (array $x, int $sign): array => $sign > 0 ? [$x[3], $x[0], $x[1], $x[2]] : [$x[1], $x[2], $x[3], $x[0]], $crossings, $signs);
    }
}
