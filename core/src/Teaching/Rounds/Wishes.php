<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Teaching\Ban;
use Compadre\Core\Teaching\PassRates;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\TimeModel;

/**
 * What a leader has set beside badges, learners and meetings. With pace *soon* badges are completed as soon as can be, without it
 * as much as can be is still known afterwards; what is unmet comes first either way.
 */
final readonly class Wishes
{
    /** The pass rate of a knot that the group has not been tested in. */
    public const PASS_RATE = PassRates::USUAL;

    /**
     * @param  float  $factor  the group's own, on the minutes of lessons
     * @param  ?int  $newKnots  the most new knots a learner meets in a meeting; null: by age
     * @param  float  $oldShare  of a meeting's minutes, from 0 to 0.5, kept for old knots that are due
     * @param  array<string, float>  $passRates  by knot, from 0 to 1
     * @param  list<Pin>  $pins
     * @param  list<Ban>  $bans
     * @param  list<Promise>  $promises
     * @param  array<string, PlanRig>  $rigs  by id
     * @param  bool  $held  whether promises come before all else: a plan that has been accepted is filled in, not made anew
     * @param  array<string, float>  $factors  in place of the group's own, by knot
     * @param  bool  $ticksByHand  whether a knot used in something that is none of the rigs is ticked off by a leader, and so asks for the knot alone
     */
    public function __construct(
        public bool $soon = false,
        public float $factor = 1.0,
        public ?int $newKnots = null,
        public float $oldShare = TimeModel::OLD_SHARE,
        public array $passRates = [],
        public array $pins = [],
        public array $bans = [],
        public array $promises = [],
        public array $rigs = [],
        public bool $held = false,
        public array $factors = [],
        public bool $ticksByHand = false,
    ) {
    }

    /** What the minutes of a lesson in a knot are multiplied by, beside ages. */
    public function factorOf(string $knot): float
    {
        return $this->factors[$knot] ?? $this->factor;
    }

    public function bans(KnotPack $knot, string $meeting): bool
    {
        return array_filter($this->bans, static fn (Ban $ban): bool => $ban->covers($knot, $meeting)) !== [];
    }

    /** @param  list<Pin>  $pins */
    public function withPins(array $pins): self
    {
        return new self($this->soon, $this->factor, $this->newKnots, $this->oldShare, $this->passRates, $pins, $this->bans, $this->promises, $this->rigs, $this->held, $this->factors, $this->ticksByHand);
    }
}
