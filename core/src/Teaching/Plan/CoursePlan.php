<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\UnmetNeed;

/**
 * The term as planned.
 */
final readonly class CoursePlan
{
    /**
     * @param  array<string, list<Block>>  $meetings  blocks in order, by meeting id
     * @param  list<UnmetNeed>  $unmet
     * @param  array<string, ?string>  $shownIn  by knot still to be taught: the meeting, null where it is left out
     * @param  list<array{learner: string, badge: string, meeting: ?string}>  $completes  the meeting that completes each badge under way
     * @param  Objective  $bound  no plan is better than this
     * @param  list<array{knot: string, from: ?string, to: ?string}>  $moved  against the plan before
     */
    public function __construct(
        public array $meetings,
        public array $unmet,
        public array $shownIn,
        public array $completes,
        public Objective $objective,
        public Objective $bound,
        public bool $proven,
        public array $moved,
    ) {
    }

    /** @return list<Block> every station of a meeting in order, those side by side one after the other */
    public function stations(string $meeting): array
    {
        return array_merge(...array_map(static fn (Block $block): array => $block->stations(), $this->meetings[$meeting] ?? []));
    }
}
