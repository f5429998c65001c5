<?php

declare(strict_types=1);

namespace App\Http;

/**
 * This device was signed out from elsewhere: it is told so, and clears itself.
 */
final class DeviceSignedOut extends TurnedAway
{
    public static function elsewhere(): self
    {
        return self::with(401, '/device', null, 'http.signed_out');
    }
}
