<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Teaching\TimeModel;

/**
 * A meeting still to come, as a plan in rounds sees it.
 */
final readonly class Evening
{
    /**
     * @param  int  $minutes  in all
     * @param  int  $checkers  how many can check, 1 or more
     * @param  ?array<string, ?int>  $objects  how many of each kind there are to tie to (null: as many as are wanted); null: all kinds
     * @param  float  $opening  minutes before the first round
     * @param  float  $closing  minutes after all else
     * @param  list<string>  $rigs  those a leader has chosen for it
     * @param  list<string>  $awards  learners who are handed a badge there, once for each
     */
    public function __construct(
        public string $id,
        public string $date,
        public int $minutes,
        public int $checkers,
        public ?array $objects = null,
        public float $opening = TimeModel::WELCOME,
        public float $closing = TimeModel::CLEAR_UP,
        public array $rigs = [],
        public array $awards = [],
    ) {
    }

    public function room(): float
    {
        return max(0.0, $this->minutes - $this->opening - $this->closing - $this->handingOver());
    }

    /** Minutes in which badges are handed over, before clearing up. */
    public function handingOver(): float
    {
        return TimeModel::handingOver(count($this->awards));
    }

    /** The same meeting with so many minutes and checkers more. */
    public function with(int $minutes, int $checkers): self
    {
        return new self($this->id, $this->date, $this->minutes + $minutes, $this->checkers + $checkers, $this->objects, $this->opening, $this->closing, $this->rigs, $this->awards);
    }
}
