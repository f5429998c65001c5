<?php

declare(strict_types=1);

namespace App\House;

use App\Http\Doorkeeper;
use App\Models\Device;
use App\Models\User;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Who may set an empty house up, and how they come in.
 */
final class Threshold
{
    /** Whoever sets it up sits at the machine: an empty house is no network's to take. */
    public static function holdHere(Request $request): void
    {
        if ($request->server('COMPADRE_LAN') === 'yes') {
            throw new AuthorizationException;
        }
    }

    public static function enter(Request $request, User $leader): JsonResponse
    {
        Doorkeeper::letIn($request, $leader);

        return new JsonResponse(MeView::of($leader, Device::of($request, $leader)), 201);
    }
}
