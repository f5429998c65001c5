<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Codes and tokens are given out once, and kept as hashes only.
 */
trait KeptAsHash
{
    public static function hash(string $secret): string
    {
        return hash('sha256', $secret);
    }
}
