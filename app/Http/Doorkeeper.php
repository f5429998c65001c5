<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Device;
use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;

/**
 * The guard that keeps sign-ins in the session.
 */
final class Doorkeeper
{
    /** Kept in a session that was turned away, until somebody signs in again. */
    private const TURNED_AWAY = 'turned_away';

    /**
     * Signs somebody in on this device, which is known from then on.
     *
     * @param  bool  $stays  whether the device knows them again once the session has ended
     */
    public static function letIn(Request $request, User $user, bool $stays = false): void
    {
        self::guard()->login($user, $stays);
        KnownDevice::remember($request, $user);
        $request->session()->forget(self::TURNED_AWAY);
        Device::begin($request);
        $request->session()->regenerate();
    }

    /** Signs whoever is signed in out of this session, and leaves nothing of it. */
    public static function letOut(Request $request): void
    {
        self::guard()->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
    }

    /**
     * Signs out a device whose sign-in was ended from elsewhere. The session is kept, with nothing in it but that: the first answer
     * may go to nobody, to a page that is just being left or to the worker behind it, so it is said again until somebody signs in.
     */
    public static function turnAway(Request $request): never
    {
        self::guard()->logout();
        $request->session()->flush();
        $request->session()->put(self::TURNED_AWAY, true);
        $request->session()->regenerateToken();
        throw DeviceSignedOut::elsewhere();
    }

    public static function wasTurnedAway(Request $request): bool
    {
        return $request->hasSession() && $request->session()->has(self::TURNED_AWAY);
    }

    public static function guard(): StatefulGuard
    {
        return Auth::guard('web');
    }
}
