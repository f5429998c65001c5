<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A crossing as one strand meets it: its number in the diagram, the length along the strand, whether the strand is
 * on top, and the other strand.
 */
final readonly class Visit
{
    public function __construct(public int $crossing, public float $at, public bool $over, public int $other)
    {
    }
}
