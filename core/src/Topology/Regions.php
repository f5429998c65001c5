<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

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
        $darts = Darts::of($tangle->crossings);
        $seen = [];
        $regions = [];
        for ($dart = 0; $dart < 4 * count($tangle->crossings); $dart++) {
            if (! isset($seen[$dart])) {
                $regions[] = self::walk($tangle, $darts, $dart, $seen);
            }
        }
        $parts = Joined::sets(array_keys($tangle->crossings), $darts->neighbours());

        return new self($regions, count($tangle->crossings), intdiv(count($darts->across), 2), count(array_unique($parts)));
    }

    /** How many handles the surface would need on which the diagram could lie: 0 for the plane. */
    public function genus(): int
    {
        return intdiv(2 * $this->parts - $this->crossings + $this->edges - count($this->regions), 2);
    }

    /**
     * @param  array<int, true>  $seen
     * @return array{list<string>, list<int>}
     */
    private static function walk(Tangle $tangle, Darts $darts, int $dart, array &$seen): array
    {
        $edges = [];
        $ends = [];
        do {
            $seen[$dart] = true;
            $crossing = $tangle->crossings[intdiv($dart, 4)];
            $across = $darts->across[$dart] ?? null;
            if ($across === null) {
                // Out to an end and back on its other side.
                $ends[] = $tangle->ends[$crossing[$dart % 4]] ?? '';
                $across = $dart;
            } else {
                $edges[] = self::leaves($crossing, $dart % 4) ? 1 : -1;
            }
            $dart = $across - $across % 4 + ($across + 1) % 4;
        } while (! isset($seen[$dart]));

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
