<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What a meeting holds: rounds of stations in order, the old knots tied again, the rigs put up. All by number.
 */
final readonly class Program
{
    /**
     * @param  list<non-empty-list<Station>>  $rounds
     * @param  list<int>  $old  knots, each once
     * @param  list<int>  $rigs  each once
     */
    public function __construct(public array $rounds = [], public array $old = [], public array $rigs = [])
    {
    }

    /** @param  list<non-empty-list<Station>>  $rounds */
    public function withRounds(array $rounds): self
    {
        return new self($rounds, $this->old, $this->rigs);
    }

    /** Another station in place of one. */
    public function withStation(int $round, int $place, Station $station): self
    {
        return $this->withRounds(array_values(array_replace($this->rounds, [$round => array_values(array_replace($this->rounds[$round], [$place => $station]))])));
    }

    /** @param  list<int>  $old */
    public function withOld(array $old): self
    {
        return new self($this->rounds, $old, $this->rigs);
    }

    /** @param  list<int>  $rigs */
    public function withRigs(array $rigs): self
    {
        return new self($this->rounds, $this->old, $rigs);
    }
}
