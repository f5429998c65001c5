<?php

declare(strict_types=1);

namespace Compadre\Core\Topology;

/**
 * A strand as the list of its crossings in order of travel. A rope travels from its standing (loaded) end to its working
 * end (tail).
 */
final readonly class GaussStrand
{
    /**
     * @param  string  $kind strands of one kind may stand for each other; a rope's kind starts with "rope"
     * @param  list<array{int, bool}>  $visits crossing, and whether the strand is on top there
     * @param  bool  $exchanged whether its tail is loaded and its load is the tail
     */
    public function __construct(
        public string $kind,
        public bool $closed,
        public array $visits,
        public bool $exchanged = false,
    ) {
    }

    public function isRope(): bool
    {
        return str_starts_with($this->kind, 'rope');
    }

    /** @param  list<array{int, bool}>  $visits */
    public function with(array $visits): self
    {
        return new self($this->kind, $this->closed, $visits, $this->exchanged);
    }

    public function withEndsExchanged(): self
    {
        return new self($this->kind, $this->closed, $this->visits, ! $this->exchanged);
    }
}
