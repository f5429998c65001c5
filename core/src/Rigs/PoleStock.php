<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

/**
 * Poles of one kind that a group has. Diameter and length in mm.
 */
final readonly class PoleStock
{
    /** @param  int  $count  1 to 500 */
    public function __construct(public string $id, public string $name, public float $diameter, public float $length, public int $count)
    {
    }
}
