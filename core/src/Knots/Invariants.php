<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * Plain counts of a diagram.
 */
final class Invariants
{
    /** @return array{crossings: int, ropes: int, writhe: int} */
    public static function of(Diagram $diagram): array
    {
        return [
            'crossings' => count($diagram->crossings),
            'ropes' => count(array_filter($diagram->strands, static fn (Strand $strand): bool => $strand->kind->isRope())),
            'writhe' => array_sum(array_map(static fn (Crossing $crossing): int => $crossing->sign ?? 0, $diagram->crossings)),
        ];
    }

    /** The regions the strands divide the plane into, the outside included, by Euler: F = E - V + 1 + parts. */
    public static function faces(Diagram $diagram): int
    {
        $vertices = count($diagram->crossings);
        $edges = 0;
        foreach ($diagram->strands as $number => $strand) {
            $visits = count($diagram->visits($number));
            $closed = $strand->curve->closed;
            $vertices += $closed ? ($visits === 0 ? 1 : 0) : 2;
            $edges += $closed ? max(1, $visits) : $visits + 1;
        }

        return $edges - $vertices + 1 + self::parts($diagram);
    }

    /** How many pieces the drawing falls into. */
    private static function parts(Diagram $diagram): int
    {
        $leader = array_keys($diagram->strands);
        $find = static function (int $strand) use (&$leader): int {
            while ($leader[$strand] !== $strand) {
                $strand = $leader[$strand];
            }

            return $strand;
        };
        foreach ($diagram->crossings as $crossing) {
            $leader[$find($crossing->over)] = $find($crossing->under);
        }

        return count(array_unique(array_map($find, array_keys($diagram->strands))));
    }
}
