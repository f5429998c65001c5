<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A stretch of a meeting. Kinds: welcome, old (knots looked at again), new (a knot shown for the first time), again
 * (a knot some still need), raise, inspect and strike (a rig put up, looked at and taken down), free, clear_up. Lessons come in parts: show,
 * along, tries, check.
 */
final readonly class Block
{
    /**
     * @param  list<string>  $learners  whom it is for
     * @param  string  $why  one line a leader can read aloud
     * @param  float  $start  minutes from the start of the meeting
     * @param  list<self>  $beside  stations at the same time, each with one checker
     * @param  ?string  $teacher  a learner who has the knot and can show it at this station
     * @param  float  $checking  minutes of a lesson in which learners are checked
     * @param  ?string  $rig  that is raised, inspected or struck
     */
    public function __construct(
        public string $kind,
        public float $minutes,
        public ?string $knot,
        public array $learners,
        public string $why,
        public float $start = 0.0,
        public array $beside = [],
        public ?string $teacher = null,
        public float $checking = 0.0,
        public ?string $rig = null,
    ) {
    }

    public function startingAt(float $start): self
    {
        return new self($this->kind, $this->minutes, $this->knot, $this->learners, $this->why, $start, array_map(static fn (self $station): self => $station->startingAt($start), $this->beside), $this->teacher, $this->checking, $this->rig);
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

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind, 'start' => round($this->start, 1), 'minutes' => round($this->minutes, 1), 'knot' => $this->knot,
            'learners' => $this->learners, 'why' => $this->why, 'teacher' => $this->teacher, 'parts' => $this->parts(), 'rig' => $this->rig,
            'beside' => array_map(static fn (self $station): array => $station->toArray(), $this->beside),
        ];
    }
}
