<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What came of looking at every plan: the best, or that none holds the pins.
 */
final readonly class Looked
{
    public function __construct(public ?Found $best)
    {
    }
}
