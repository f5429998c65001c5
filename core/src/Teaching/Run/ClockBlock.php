<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Run;

use DateTimeImmutable;

/**
 * A block of a meeting under way. Its place orders it, never changes, and is the same on every device.
 */
final readonly class ClockBlock
{
    /** @param  float  $planned  minutes */
    public function __construct(
        public int $place,
        public ?string $knot,
        public float $planned,
        public BlockState $state = BlockState::Waiting,
        public ?DateTimeImmutable $startedAt = null,
        public ?DateTimeImmutable $endedAt = null,
        public ?int $cutFrom = null,
    ) {
    }

    public function starting(DateTimeImmutable $at): self
    {
        return new self($this->place, $this->knot, $this->planned, BlockState::Running, $at, null, $this->cutFrom);
    }

    /** Only what was running has an end. */
    public function left(BlockState $as, DateTimeImmutable $at): self
    {
        return new self($this->place, $this->knot, $this->planned, $as, $this->startedAt, $this->state === BlockState::Running ? $at : null, $this->cutFrom);
    }

    public function of(float $minutes): self
    {
        return new self($this->place, $this->knot, $minutes, $this->state, $this->startedAt, $this->endedAt, $this->cutFrom);
    }

    public function isSameAs(self $other): bool
    {
        return $this == $other;
    }
}
