<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Run;

/**
 * What a leader may do with one block of a meeting under way.
 */
enum ClockStep: string
{
    case Next = 'next';
    case Skip = 'skip';
    case Carry = 'carry';
    case Split = 'split';

    /** What the block is afterwards; a split one stays what it is. */
    public function leaves(): ?BlockState
    {
        return match ($this) {
            self::Next => BlockState::Done,
            self::Skip => BlockState::Skipped,
            self::Carry => BlockState::Carried,
            self::Split => null,
        };
    }
}
