<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\TimeModel;

/**
 * What a leader has set beside needs and meetings. Share of a meeting kept for old knots, from 0 to 0.5; the most new
 * knots in a meeting, or null for the limit of the youngest; pins put a knot into a meeting (null: leave it out), bans
 * keep a knot or a family out of a meeting (null: out of all). With a previous plan, as few knots move as must.
 */
final readonly class PlanSettings
{
    /**
     * @param  array<string, ?string>  $pins  meeting by knot
     * @param  list<Ban>  $bans
     * @param  ?array<string, ?string>  $previous  meeting by knot, as planned before; null meeting: left out
     * @param  array<string, PlanRig>  $rigs  that knots can be put to use in, by id
     */
    public function __construct(
        public float $oldShare = TimeModel::OLD_SHARE,
        public ?int $newKnots = null,
        public array $pins = [],
        public array $bans = [],
        public ?array $previous = null,
        public ?Pace $pace = null,
        public array $rigs = [],
    ) {
    }
}
