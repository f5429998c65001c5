<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Written;

/**
 * A stretch of a meeting. Kinds: welcome, tries (second tries in what was taught last), old (knots looked at again), new (a knot shown
 * for the first time), again (a knot some still need), raise, inspect and strike (a rig put up, looked at and taken down), free, award
 * (badges handed over), clear_up. Lessons come in parts: show, along, tries, check.
 */
final readonly class Block
{
    /**
     * @param  list<string>  $learners  whom it is for
     * @param  Saying  $why  one line a leader can read aloud
     * @param  float  $start  minutes from the start of the meeting
     * @param  list<self>  $beside  stations at the same time
     * @param  list<string>  $helpers  learners who have the knot and help at this station
     * @param  float  $checking  minutes of a lesson in which learners are checked
     * @param  ?string  $rig  that is raised, inspected or struck
     * @param  int  $checkers  of a station, 0 where it takes none of its own
     * @param  ?float  $byRule  minutes without the group's own factor; null: the same
     */
    public function __construct(
        public string $kind,
        public float $minutes,
        public ?string $knot,
        public array $learners,
        public Saying $why,
        public float $start = 0.0,
        public array $beside = [],
        public array $helpers = [],
        public float $checking = 0.0,
        public ?string $rig = null,
        public int $checkers = 0,
        public ?float $byRule = null,
    ) {
    }

    public function startingAt(float $start): self
    {
        return new self($this->kind, $this->minutes, $this->knot, $this->learners, $this->why, $start, array_map(static fn (self $station): self => $station->startingAt($start), $this->beside), $this->helpers, $this->checking, $this->rig, $this->checkers, $this->byRule);
    }

    /** @param  list<self>  $beside  stations at the same time */
    public function with(array $beside): self
    {
        return new self($this->kind, $this->minutes, $this->knot, $this->learners, $this->why, $this->start, $beside, $this->helpers, $this->checking, $this->rig, $this->checkers, $this->byRule);
    }

    /** @return list<self> it and the stations beside it */
    public function stations(): array
    {
        return [$this, ...$this->beside];
    }

    /**
     * The parts of a lesson: twice shown, tied along, first tries, and the rest to check; none of any other block.
     *
     * @return list<array{part: string, minutes: float}>
     */
    public function parts(): array
    {
        if (! in_array($this->kind, ['new', 'again'], true)) {
            return [];
        }
        $teaching = $this->minutes - $this->checking;
        $parts = [];
        foreach (['show' => 0.2 * $teaching, 'along' => 0.35 * $teaching, 'tries' => 0.45 * $teaching, 'check' => $this->checking] as $part => $minutes) {
            $parts[] = ['part' => $part, 'minutes' => round($minutes, 1)];
        }

        return $parts;
    }

    /**
     * @param  ?Catalogue  $words  what is said is said in these; null: as it is written down
     * @return array<string, mixed>
     */
    public function toArray(?Catalogue $words = null): array
    {
        return [
            'kind' => $this->kind, 'start' => round($this->start, 1), 'minutes' => round($this->minutes, 1), 'knot' => $this->knot,
            'learners' => $this->learners, 'why' => $words?->say($this->why) ?? Written::value($this->why), 'helpers' => $this->helpers, 'checkers' => $this->checkers, 'parts' => $this->parts(), 'rig' => $this->rig, 'by_rule' => round($this->byRule ?? $this->minutes, 1),
            'beside' => array_map(static fn (self $station): array => $station->toArray($words), $this->beside),
        ];
    }
}
