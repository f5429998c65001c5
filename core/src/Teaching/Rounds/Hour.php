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

    /**
     * The squares of how full the meetings are, and how many between used ones are empty.
     *
     * @param  list<self>  $hours  by meeting
     */
    public static function crowding(array $hours): float
    {
        $sum = 0.0;
        $gaps = 0;
        $empty = null;
        foreach ($hours as $hour) {
            if ($hour->used() <= 0.0) {
                $empty = $empty === null ? null : $empty + 1;

                continue;
            }
            $sum += $hour->room > 0.0 ? ($hour->used() / $hour->room) ** 2 : 0.0;
            $gaps += $empty ?? 0;
            $empty = 0;
        }

        return $sum + $gaps;
    }
}
