<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A meeting still to come: its date, its minutes in all, how many can check, and what there is to tie to (null: all
 * that is needed).
 */
final readonly class PlanMeeting
{
    /**
     * @param  ?list<string>  $objects  kinds of object as in the knot packs: pole, post, ring, peg, toggle
     * @param  list<string>  $rigs  those a leader has chosen for it
     */
    public function __construct(public string $id, public string $date, public int $minutes, public int $checkers, public ?array $objects = null, public array $rigs = [])
    {
    }

    /** The same meeting with so many minutes and checkers more. */
    public function with(int $minutes, int $checkers): self
    {
        return new self($this->id, $this->date, $this->minutes + $minutes, $this->checkers + $checkers, $this->objects, $this->rigs);
    }
}
