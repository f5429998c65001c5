<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Rigs\Sketch\Sketch;
use Compadre\Core\Words\Saying;

/**
 * A rig worked out for its place, its poles and its rope.
 */
final readonly class Rigged
{
    /**
     * @param  list<Member>  $members
     * @param  array<string, float>  $figures  by id; mm, N, degrees, counts and ratios
     * @param  list<StandingKnot>  $knots  by place
     * @param  list<array{length_mm: float, count: int}>  $cut  the longest first, lengths rounded up to 10 mm
     * @param  list<Saying>  $advice
     */
    public function __construct(public RigPack $rig, public array $members, public array $figures, public array $knots, public array $cut, public array $advice, public Sketch $sketch, public Saying $reason)
    {
    }
}
