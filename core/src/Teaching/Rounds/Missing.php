<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * A leaf of a badge that a plan leaves missing, by the way with fewest missing, why, and what would mend it.
 */
final readonly class Missing
{
    public function __construct(public int $learner, public int $pursuit, public int $target, public Cause $cause, public ?Remedy $remedy = null)
    {
    }

    public function with(?Remedy $remedy): self
    {
        return new self($this->learner, $this->pursuit, $this->target, $this->cause, $remedy);
    }
}
