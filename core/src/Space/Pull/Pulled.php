<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Space\SpaceStrand;

/**
 * A knot that was pulled at: its ropes from tight to pulled, what has become of it, and how far its tails have crept into it.
 */
final readonly class Pulled
{
    /**
     * @param  non-empty-list<list<SpaceStrand>>  $frames  the first tight and not pulled at, the last as it is in the end
     * @param  float  $travel  of the tails, on average, in diameters; below 0 where they were drawn out
     */
    public function __construct(public array $frames, public PullResult $result, public float $travel)
    {
    }
}
