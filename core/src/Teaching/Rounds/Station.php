<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * A station: one knot for some learners, with its checkers and perhaps learners who help. All by number.
 */
final readonly class Station
{
    /**
     * @param  non-empty-list<int>  $learners
     * @param  list<int>  $helpers
     */
    public function __construct(public int $knot, public array $learners, public int $checkers, public array $helpers = [])
    {
    }

    /** @return list<int> everybody at it */
    public function people(): array
    {
        return [...$this->learners, ...$this->helpers];
    }

    /** @param  non-empty-list<int>  $learners */
    public function teaching(array $learners): self
    {
        return new self($this->knot, $learners, $this->checkers, $this->helpers);
    }

    public function staffedBy(int $checkers): self
    {
        return new self($this->knot, $this->learners, $checkers, $this->helpers);
    }

    /** @param  list<int>  $helpers */
    public function helpedBy(array $helpers): self
    {
        return new self($this->knot, $this->learners, $this->checkers, $helpers);
    }
}
