<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/**
 * The guard that keeps sign-ins in the session.
 */
final class Doorkeeper
{
    /** Signs somebody in on this device, which is known from then on. */
    public static function letIn(Request $request, User $user): void
    {
        self::guard()->login($user);
        KnownDevice::remember($request, $user);
        $request->session()->regenerate();
    }

    /** Signs whoever is signed in out of this session, and leaves nothing of it. */
    public static function letOut(Request $request): void
    {
        self::guard()->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
    }

    public static function guard(): StatefulGuard
    {
        return Auth::guard('web');
    }
}
