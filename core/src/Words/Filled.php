<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

/**
 * A sentence of a pack with names in braces, and what stands for them.
 */
final readonly class Filled
{
    /** @param  array<string, string|int|float|Saying>  $values  by name; of what has none nothing is said */
    public function __construct(public string $text, public array $values)
    {
    }
}
