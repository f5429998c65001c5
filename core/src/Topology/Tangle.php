<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * A diagram as a planar diagram code, with ends: the edges between crossings are numbered; each crossing lists its four
 * edges counter-clockwise from the one that arrives underneath. An edge that runs to an end of a strand stands in one
 * crossing only.
 */
final readonly class Tangle
{
    /**
     * @param  list<array{int, int, int, int}>  $crossings
     * @param  array<int, string>  $ends the name of the end that an edge runs to, by edge
     * @param  list<array{string, string}>  $bare strands without crossings, by the names of their two ends
     * @param  int  $circles closed strands without crossings
     */
    public function __construct(public array $crossings, public array $ends, public array $bare = [], public int $circles = 0)
    {
    }
}
