<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * At which of its ends a rope goes on out of the picture, as loaded ends do. An end that does not is a tail.
 */
enum RunsOn: string
{
    case Start = 'start';
    case End = 'end';
    case Both = 'both';
    case Neither = 'neither';

    public function atStart(): bool
    {
        return $this === self::Start || $this === self::Both;
    }

    public function atEnd(): bool
    {
        return $this === self::End || $this === self::Both;
    }
}
