<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Doorkeeper;
use App\Models\Device;
use App\Models\User;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Knows which device asks, and turns away one that was signed out from elsewhere.
 */
final class KnowDevice
{
    /** How long a device counts as seen before that is written down again. */
    private const SEEN_MINUTES = 5;

    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && $request->hasSession()) {
            $device = Device::of($request, $user);
            // Whoever hosts the house needs no group to be known.
            if ($device->revoked_at !== null || $device->open($user) === null && ($device->group_id !== null || ! $user->hosts())) {
                Doorkeeper::turnAway($request);
            }
            if ($device->seen_at->lt(CarbonImmutable::now()->subMinutes(self::SEEN_MINUTES))) {
                $device->update(['seen_at' => CarbonImmutable::now()]);
            }
        }

        /** @var Response */
        return $next($request);
    }
}
