<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Choosing;

use Compadre\Core\Rope\Material;

/**
 * What is at one end of a job: a rope, a pole, a ring. The diameter in mm, where it is known.
 */
final readonly class Thing
{
    /** @param  string  $kind  rope, tape, pole, ring, chain, eye or bundle */
    public function __construct(public string $kind, public ?float $diameter = null, public ?Material $material = null)
    {
    }

    public function isRope(): bool
    {
        return $this->kind === 'rope' || $this->kind === 'tape';
    }
}
