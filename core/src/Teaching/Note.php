<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A requirement that is no knot: something said (what a knot is for), a rig built, or free words. A leader ticks it off.
 */
final readonly class Note
{
    public const KINDS = ['say', 'rig', 'text'];

    public function __construct(public string $kind, public string $words)
    {
    }

    /** Its name in records: the same words are the same requirement. */
    public function key(): string
    {
        return substr(sha1($this->kind.':'.mb_strtolower(trim($this->words))), 0, 16);
    }
}
