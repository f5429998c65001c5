<?php

declare(strict_types=1);

namespace Compadre\Core\Words;

/**
 * A name, or a sentence of a pack, that begins with a capital where it stands alone, and is put into the middle of another sentence:
 * English writes it small there, other languages as theirs do.
 */
final readonly class Within
{
    public function __construct(public string|Saying $text)
    {
    }
}
