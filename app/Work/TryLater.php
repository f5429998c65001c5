<?php

declare(strict_types=1);

namespace App\Work;

use RuntimeException;

/**
 * Work that cannot be done just now, and why: in words for whoever waits for it.
 */
final class TryLater extends RuntimeException
{
    /** @param  int  $seconds  at the least */
    public function __construct(string $why, public readonly int $seconds = 0)
    {
        parent::__construct($why);
    }
}
