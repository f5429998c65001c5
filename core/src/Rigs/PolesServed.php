<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

/**
 * Which of the poles in hand a member of a rig is made of.
 */
final readonly class PolesServed
{
    /**
     * @param  list<array{pole: PoleStock, count: int}>  $taken  the shortest first
     * @param  int  $missing  how many there are none for
     */
    public function __construct(public array $taken, public int $missing)
    {
    }
}
