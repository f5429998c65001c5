<?php

declare(strict_types=1);

namespace Compadre\Core\Knots\Topology;

/**
 * The regions into which a tangle's strands divide the plane, each as its edges in order, walked with the region on one side.
 */
final readonly class Regions
{
    /**
     * @param  list<array{list<string>, list<int>}>  $regions the ends of strands that lie in it, in the order of the walk, and
     *                                                       its edges: +1 for one that runs the way of the walk, -1 against it
     */
    private function __construct(public array $regions, private int $crossings, private int $edges, private int $parts)
    {
    }

    public static function of(Tangle $tangle): self
    {
        $places = [];
        foreach ($tangle->crossings as $number => $edges) {
            foreach ($edges as $slot => $edge) {
                $places[$edge][] = [$number, $slot];
            }
        }
        $seen = [];
        $regions = [];
        foreach (array_keys($tangle->crossings) as $number) {
            for ($slot = 0; $slot < 4; $slot++) {
                if (! isset($seen[4 * $number + $slot])) {
                    $regions[] = self::walk($tangle, $places, $number, $slot, $seen);
                }
            }
        }
        $inner = array_filter($places, static fn (array $found): bool => count($found) === 2);
        $parts = Joined::sets(array_keys($tangle->crossings), array_map(static fn (array $found): array => [$found[0][0], $found[1][0]], array_values($inner)));

        return new self($regions, count($tangle->crossings), count($inner), count(array_unique($parts)));
    }

    /** How many handles the surface would need on which the diagram could lie: 0 for the plane. */
    public function genus(): int
    {
        return intdiv(2 * $this->parts - $this->crossings + $this->edges - count($this->regions), 2);
    }

    /**
     * @param  array<int, list<array{int, int}>>  $places
     * @param  array<int, true>  $seen
     * @return array{list<string>, list<int>}
     */
    private static function walk(Tangle $tangle, array $places, int $number, int $slot, array &$seen): array
    {
        $edges = [];
        $ends = [];
        do {
            $seen[4 * $number + $slot] = true;
            $found = $places[$tangle->crossings[$number][$slot]] ?? [];
            if (count($found) < 2) {
                // Out to an end and back on its other side.
                $ends[] = $tangle->ends[$tangle->crossings[$number][$slot]] ?? '';
            } else {
                $edges[] = self::leaves($tangle->crossings[$number], $slot) ? 1 : -1;
                [$number, $slot] = $found[0] === [$number, $slot] ? $found[1] : $found[0];
            }
            $slot = ($slot + 1) % 4;
        } while (! isset($seen[4 * $number + $slot]));

        return [$ends, $edges];
    }

    /**
     * Edges are numbered in order of travel, so that the one that leaves has the higher number, or is the first of a closed
     * strand after its last.
     *
     * @param  array{int, int, int, int}  $crossing
     */
    private static function leaves(array $crossing, int $slot): bool
    {
        if ($slot === 0 || $slot === 2) {
            return $slot === 2;
        }
        [, $second, , $fourth] = $crossing;
        $step = $slot === 1 ? $second - $fourth : $fourth - $second;

        return abs($step) === 1 ? $step === 1 : $step < 0;
    }
}
