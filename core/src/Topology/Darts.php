<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * The ends of the edges at the crossings, numbered four to a crossing in the order of its edges, and which of them is the
 * other end of the same edge.
 */
final readonly class Darts
{
    /** @param  array<int, int>  $across the other end of the edge; none where the edge runs to an end of a strand */
    private function __construct(public array $across)
    {
    }

    /** @param  list<array{int, int, int, int}>  $crossings no edge more than twice */
    public static function of(array $crossings): self
    {
        $first = [];
        $across = [];
        foreach ($crossings as $number => $edges) {
            foreach ($edges as $slot => $edge) {
                $dart = 4 * $number + $slot;
                if (isset($first[$edge])) {
                    $across[$dart] = $first[$edge];
                    $across[$first[$edge]] = $dart;
                }
                $first[$edge] = $dart;
            }
        }

        return new self($across);
    }

    /** @return list<array{int, int}> pairs of crossings that share an edge, each twice */
    public function neighbours(): array
    {
        $pairs = [];
        foreach ($this->across as $dart => $other) {
            $pairs[] = [intdiv($dart, 4), intdiv($other, 4)];
        }

        return $pairs;
    }
}
