<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;

/**
 * One thing a badge asks for: a knot at a level; where it is to be used, perhaps in a rig of that name.
 */
final readonly class Leaf
{
    public function __construct(public string $knot, public Level $level, public ?string $in = null)
    {
    }

    /** Uses it and teaches it stand beside the ladder: a leader ticks them off, and the learner has to have the knot. */
    public function isTicked(): bool
    {
        return $this->level === Level::UsesIt || $this->level === Level::TeachesIt;
    }

    /** Its name in records, where it is ticked off. */
    public function key(): string
    {
        return (new Note($this->level->value, $this->knot.($this->in === null ? '' : ' in '.$this->in)))->key();
    }

    /** @param  array<string, true>  $ticked  by key */
    public function metBy(?Level $reached, array $ticked = []): bool
    {
        if ($reached === null) {
            return false;
        }

        return $this->isTicked()
            ? $reached === $this->level || $reached->rung() >= Level::HasIt->rung() && isset($ticked[$this->key()])
            : $reached->rung() >= $this->level->rung();
    }
}
