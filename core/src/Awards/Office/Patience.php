<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/** How long an office is left alone before it is tried again. */
final class Patience
{
    private const FIRST = 15;

    private const MOST = 3600;

    /**
     * Twice as long each time, up to an hour.
     *
     * @param  int  $tries  that went wrong in a row, from 1
     * @param  ?int  $asked  seconds that the office asked for
     * @return int seconds
     */
    public static function after(int $tries, ?int $asked = null): int
    {
        return min(self::MOST, max($asked ?? 0, self::FIRST * 2 ** min(max($tries, 1) - 1, 20)));
    }
}
