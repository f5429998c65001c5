<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanRig;

/**
 * Something a badge asks for, by number of its knot, and what has to happen in a meeting for it.
 */
final readonly class Target
{
    /** @param  ?list<int>  $rigs  those a use counts in; null: it is not met by a use */
    public function __construct(public int $knot, public Leaf $leaf, public Deed $deed, public ?array $rigs = null)
    {
    }

    /**
     * @param  array<int, PlanRig>  $rigs  all there are, by number
     * @param  bool  $ticksByHand  whether a use that none of them serves asks for the knot alone
     */
    public static function of(int $knot, Leaf $leaf, array $rigs, bool $ticksByHand = false): self
    {
        $serving = array_keys(array_filter($rigs, static fn (PlanRig $rig): bool => $rig->isMeantBy($leaf) && in_array($leaf->knot, $rig->knots(), true)));

        return match (true) {
            $leaf->level === Level::Kept => new self($knot, $leaf, Deed::Again),
            $leaf->level === Level::TeachesIt => new self($knot, $leaf, Deed::Help),
            $leaf->level === Level::UsesIt && $rigs !== [] && ($serving !== [] || ! $ticksByHand) => new self($knot, $leaf, Deed::Use, $serving),
            default => new self($knot, $leaf, Deed::Lesson),
        };
    }

    /** Whether it is met before all meetings. Where no rigs are known, a use asks for the knot alone. */
    public function isMetBy(PlanLearner $learner): bool
    {
        return $this->leaf->metBy($learner->levels[$this->leaf->knot] ?? null, $learner->ticked)
            || $this->leaf->level === Level::UsesIt && $this->deed === Deed::Lesson && $learner->holds($this->leaf->knot);
    }
}
