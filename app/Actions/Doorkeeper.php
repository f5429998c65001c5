<?php

declare(strict_types=1);

namespace App\Actions;

use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Support\Facades\Auth;
use RuntimeException;

/**
 * The guard that keeps sign-ins in the session.
 */
final class Doorkeeper
{
    public static function guard(): StatefulGuard
    {
        $guard = Auth::guard('web');

        return $guard instanceof StatefulGuard ? $guard : throw new RuntimeException('The web guard keeps no sign-ins.');
    }
}
