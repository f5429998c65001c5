<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A rig as the planner sees one: how long it takes with knots that are known, and which knots may stand in its places.
 */
final readonly class PlanRig
{
    /** Parts of its time: putting it up, looking whether it stands, taking it down and counting. */
    public const PARTS = ['raise' => 0.6, 'inspect' => 0.15, 'strike' => 0.25];

    /**
     * @param  int  $minutes  in all
     * @param  list<list<string>>  $places  by place: the knots that may stand there
     * @param  list<string>  $objects  kinds that it is made of beside rope, as meetings name them: pole, peg
     * @param  int  $ageFrom  years
     * @param  bool  $isOffered  whether it is put into a meeting without having been asked for: never where an adult has to look first
     */
    public function __construct(
        public string $id,
        public string $name,
        public int $minutes,
        public array $places,
        public array $objects = [],
        public int $ageFrom = 0,
        public bool $isOffered = true,
    ) {
    }

    /** @return list<string> each knot once */
    public function knots(): array
    {
        return array_values(array_unique(array_merge([], ...$this->places)));
    }

    /** @param  callable(string): bool  $known  whether a knot can be tied by those who are to raise it */
    public function canBeRaised(callable $known): bool
    {
        foreach ($this->places as $knots) {
            if (array_filter($knots, $known) === []) {
                return false;
            }
        }

        return true;
    }

    /**
     * Whether a plan may put it into a meeting without having been asked: what it is made of is there and nobody is too young.
     *
     * @param  ?array<string, ?int>  $objects  how many of each kind are there (null: as many as are wanted); null: all kinds
     */
    public function mayBePutIn(?array $objects, AgeBand $youngest): bool
    {
        $missing = $objects === null ? [] : array_filter($this->objects, static fn (string $kind): bool => ! array_key_exists($kind, $objects) || $objects[$kind] === 0);

        return $this->isOffered && $missing === [] && $youngest->ages()[1] >= $this->ageFrom;
    }

    /** Whether it is the rig that a badge wants a knot used in: one it names, or any. */
    public function isMeantBy(Leaf $leaf): bool
    {
        return $leaf->in === null || in_array(mb_strtolower(trim($leaf->in)), RigUse::calls($this->id, $this->name), true);
    }
}
