<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\DeviceSignedOut;
use App\Http\Doorkeeper;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Tells a device that was turned away why, each time it asks: before it is asked who is signed in, for that is nobody.
 */
final class TellTurnedAway
{
    public function handle(Request $request, Closure $next): Response
    {
        if (Doorkeeper::wasTurnedAway($request)) {
            throw DeviceSignedOut::elsewhere();
        }

        /** @var Response */
        return $next($request);
    }
}
