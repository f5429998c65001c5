<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * A figure that a rig is told by: its height, its pull, its turns.
 */
final readonly class FigurePlan
{
    /** @param  string  $unit  mm, n, deg, count or ratio */
    public function __construct(public string $id, public string $name, public string $unit, public Formula $is, public ?Formula $when)
    {
    }
}
