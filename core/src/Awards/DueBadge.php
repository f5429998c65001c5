<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

use Compadre\Core\Teaching\BadgePack;

/**
 * How near a learner is to a badge.
 */
final readonly class DueBadge
{
    /**
     * @param  list<string>  $waitsFor  badges that come before it, and are neither held nor ready
     * @param  list<Act>  $acts  each of which would make it ready by itself; none where it is ready, or where more is missing
     */
    public function __construct(public BadgePack $badge, public bool $isComplete, public array $waitsFor, public array $acts)
    {
    }

    /** Whether it can be decided: everything is met, and what comes before it, too. */
    public function isReady(): bool
    {
        return $this->isComplete && $this->waitsFor === [];
    }
}
