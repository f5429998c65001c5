<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Run;

/**
 * What became of a block of a meeting. Carried: its knot waits for the next meeting.
 */
enum BlockState: string
{
    case Waiting = 'waiting';
    case Running = 'running';
    case Done = 'done';
    case Skipped = 'skipped';
    case Carried = 'carried';

    public function isOpen(): bool
    {
        return $this === self::Waiting || $this === self::Running;
    }
}
