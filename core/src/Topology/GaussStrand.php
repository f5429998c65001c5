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
     * @param  string  $kind strands of one kind may stand for each other
     * @param  list<array{int, bool}>  $visits crossing, and whether the strand is on top there
     * @param  bool  $exchanged whether its tail is loaded and its load is the tail
     */
    private function __construct(
        public bool $isRope,
        public string $kind,
        public bool $closed,
        public array $visits,
        public bool $exchanged = false,
    ) {
    }

    /**
     * @param  string  $sort what tells it from other ropes, such as its thickness
     * @param  list<array{int, bool}>  $visits
     */
    public static function rope(string $sort, bool $closed, array $visits): self
    {
        return new self(true, rtrim("rope $sort"), $closed, $visits);
    }

    /**
     * @param  string  $sort what it is, and how thick
     * @param  list<array{int, bool}>  $visits
     */
    public static function object(string $sort, bool $closed, array $visits): self
    {
        return new self(false, "object $sort", $closed, $visits);
    }

    /** @param  list<array{int, bool}>  $visits */
    public function with(array $visits): self
    {
        return new self($this->isRope, $this->kind, $this->closed, $visits, $this->exchanged);
    }

    public function withEndsExchanged(): self
    {
        return new self($this->isRope, $this->kind, $this->closed, $this->visits, ! $this->exchanged);
    }
}
