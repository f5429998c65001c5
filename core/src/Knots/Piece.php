<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A stretch of one strand, painted in one go: from and to are lengths along the strand. The gap is the stretch
 * around an over-crossing where the strand clears the one below it.
 */
final readonly class Piece
{
    /** @param  ?array{float, float}  $gap */
    public function __construct(public int $strand, public float $from, public float $to, public ?array $gap)
    {
    }
}
