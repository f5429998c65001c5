<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A stretch of a meeting. Kinds: welcome, old (knots looked at again), new (a knot shown for the first time), again
 * (a knot some still need), free, clear_up.
 */
final readonly class Block
{
    /**
     * @param  list<string>  $learners  whom it is for
     * @param  string  $why  one line a leader can read aloud
     */
    public function __construct(
        public string $kind,
        public float $minutes,
        public ?string $knot,
        public array $learners,
        public string $why,
    ) {
    }

    /** @return array{kind: string, minutes: float, knot: ?string, learners: list<string>, why: string} */
    public function toArray(): array
    {
        return ['kind' => $this->kind, 'minutes' => round($this->minutes, 1), 'knot' => $this->knot, 'learners' => $this->learners, 'why' => $this->why];
    }
}
