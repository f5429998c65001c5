<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Rounds\Cause;
use Compadre\Core\Teaching\Rounds\Remedy;

/**
 * Something that a plan leaves missing: a knot at a level for some learners, what alone keeps it from being met, and a change that
 * would mend it, or is the first to try.
 */
final readonly class UnmetNeed
{
    /** @param  list<string>  $learners */
    public function __construct(
        public Leaf $leaf,
        public array $learners,
        public Cause $cause,
        public ?Remedy $remedy,
    ) {
    }

    /** @return array{knot: string, level: string, learners: list<string>, cause: string, remedy: ?array{change: array{kind: string, what: string, by: int}, brings: ?int, tried: bool}} */
    public function toArray(): array
    {
        return ['knot' => $this->leaf->knot, 'level' => $this->leaf->level->value, 'learners' => $this->learners, 'cause' => $this->cause->value, 'remedy' => $this->remedy?->toArray()];
    }
}
