<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A stretch of one strand, painted in one go: from and to are lengths along the strand. The gap is the stretch
 * around an over-crossing where the strand clears the one below it.
 */
final readonly class Piece
{
    /**
     * Pieces of one rope overlap by this much at each end, in rope widths: bodies stop short of it, so that the light on the
     * rope, which is laid a little aside, runs through.
     */
    public const LAP = 0.25;

    /** @param  ?array{float, float}  $gap */
    public function __construct(public int $strand, public float $from, public float $to, public ?array $gap)
    {
    }
}
