<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

/**
 * The knot that stands in a place of a rig.
 */
final readonly class StandingKnot
{
    /**
     * @param  ?int  $wraps  how many wraps or hitches it wants in this rope; null: as drawn
     * @param  string  $counts  what those are
     * @param  list<string>  $others  that may stand there too
     */
    public function __construct(public string $place, public string $where, public string $knot, public ?string $method, public ?int $wraps, public string $counts, public string $why, public array $others)
    {
    }
}
