<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Space\SpaceStrand;

/**
 * Ropes that are drawn up with a fault in them, and how it goes out of them as they are dressed.
 */
final readonly class UntidyForm
{
    /** @param  non-empty-list<list<SpaceStrand>>  $frames  with the fault, and on to without it; only the first where drawing up does not dress it */
    public function __construct(public Fault $fault, public array $frames)
    {
    }

    /** @return list<SpaceStrand> with the fault */
    public function untidy(): array
    {
        return $this->frames[0];
    }

    /** Whether drawing it up dresses it. */
    public function isDrawnOut(): bool
    {
        return count($this->frames) > 1;
    }
}
