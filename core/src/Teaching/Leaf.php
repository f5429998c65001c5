<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;

/**
 * One thing a badge asks for: a knot at a level.
 */
final readonly class Leaf
{
    public function __construct(public string $knot, public Level $level)
    {
    }

    public function metBy(?Level $reached): bool
    {
        if ($reached === null) {
            return false;
        }

        return match ($this->level) {
            // These two stand beside the ladder and are recorded as such.
            Level::UsesIt, Level::TeachesIt => $reached === $this->level,
            default => $reached->rung() >= $this->level->rung(),
        };
    }
}
