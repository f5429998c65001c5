<?php

declare(strict_types=1);

namespace App\House;

use App\Http\Doorkeeper;
use App\Models\Device;
use App\Models\Membership;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * How somebody comes in who has just become a member of a group.
 */
final class Threshold
{
    public static function enter(Request $request, Membership $membership): JsonResponse
    {
        $user = $membership->user;
        Doorkeeper::letIn($request, $user);
        $device = Device::of($request, $user);
        $device->choose($user, $membership);

        return new JsonResponse(MeView::of($user, $device), 201);
    }

    /** Whether whoever asks is on the network, and not at the machine itself. */
    public static function isFromNetwork(Request $request): bool
    {
        return $request->server('COMPADRE_LAN') === 'yes';
    }
}
