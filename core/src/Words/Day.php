<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

/**
 * A day to be put into a sentence: each language writes it in its own way.
 */
final readonly class Day
{
    /** @param  string  $date  as 2026-11-24 */
    public function __construct(public string $date)
    {
    }
}
