<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * How a meeting's minutes are spent.
 */
final readonly class Hour
{
    public function __construct(public float $room, public float $rounds, public float $tries, public float $blocks, public float $old, public float $floor)
    {
    }

    /** Minutes left; below nought where it does not fit. */
    public function left(): float
    {
        return $this->room - max($this->floor, $this->old) - $this->rounds - $this->tries - $this->blocks;
    }

    public function fits(): bool
    {
        return $this->left() >= -Clock::EASE;
    }

    public function used(): float
    {
        return $this->rounds + $this->tries + $this->blocks + $this->old;
    }
}
