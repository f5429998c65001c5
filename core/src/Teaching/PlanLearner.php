<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\Memory;

/**
 * A learner as the planner sees one.
 */
final readonly class PlanLearner
{
    /**
     * @param  array<string, Level>  $levels  by knot
     * @param  array<string, Memory>  $memories  by knot
     * @param  list<string>  $badges  ids of badges under way
     * @param  list<string>  $away  ids of the meetings this learner is not expected at
     * @param  array<string, true>  $ticked  keys of what is ticked off
     * @param  ?string  $patrol  learners of different patrols are not taught at one station; null: goes with any
     * @param  array<string, string>  $practised  by knot, the last day on which the learner says to have practised it: a hint for the order of old knots
     */
    public function __construct(
        public string $id,
        public AgeBand $band,
        public array $levels,
        public array $memories,
        public array $badges,
        public array $away = [],
        public array $ticked = [],
        public ?string $patrol = null,
        public array $practised = [],
    ) {
    }

    /** Whether the learner has a knot: at has it or above. */
    public function holds(string $knot): bool
    {
        return ($this->levels[$knot] ?? Level::Seen)->rung() >= Level::HasIt->rung();
    }
}
