<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;

/**
 * Something that does not fit: a knot at a level for some learners, why, and what would mend it most cheaply.
 */
final readonly class UnmetNeed
{
    /** @param  list<string>  $learners */
    public function __construct(
        public string $knot,
        public Level $level,
        public array $learners,
        public string $reason,
        public string $remedy,
    ) {
    }

    /** @return array{knot: string, level: string, learners: list<string>, reason: string, remedy: string} */
    public function toArray(): array
    {
        return ['knot' => $this->knot, 'level' => $this->level->value, 'learners' => $this->learners, 'reason' => $this->reason, 'remedy' => $this->remedy];
    }
}
