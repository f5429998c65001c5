<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Knots\KnotPack;

/**
 * A knot or a whole family of knots kept out of one meeting, or of all (null).
 */
final readonly class Ban
{
    public function __construct(public string $knotOrFamily, public ?string $meeting)
    {
    }

    public function covers(KnotPack $knot, string $meeting): bool
    {
        return ($this->meeting === null || $this->meeting === $meeting) && ($this->knotOrFamily === $knot->id || $this->knotOrFamily === $knot->family->value);
    }
}
