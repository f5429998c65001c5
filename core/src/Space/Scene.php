<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Ropes in space with what they are tied to, before they are drawn up.
 */
final readonly class Scene
{
    /**
     * @param  list<SpaceStrand>  $ropes
     * @param  list<Solid>  $solids  what the knot is tied to
     * @param  list<Solid>  $pegs  what holds its loops open, and is no part of it
     * @param  list<array{FreeEnd, FreeEnd}>  $ends  of each rope, its first and its last
     * @param  bool  $gathers  whether turns round what it is tied to are slid together
     */
    public function __construct(public array $ropes, public array $solids, public array $pegs, public array $ends, public bool $gathers = false)
    {
    }

    /** @param  list<SpaceStrand>  $ropes */
    public function with(array $ropes): self
    {
        return new self($ropes, $this->solids, $this->pegs, $this->ends, $this->gathers);
    }

    /** With one thing more that holds something open. */
    public function held(Solid $peg): self
    {
        return new self($this->ropes, $this->solids, [...$this->pegs, $peg], $this->ends, $this->gathers);
    }
}
