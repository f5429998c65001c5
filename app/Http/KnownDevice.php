<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\EmailAddress;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;
use Illuminate\Support\Str;

/**
 * That somebody signed in on this device before. It opens nothing; it only has tries of its own, so that strangers who guess at an
 * account cannot keep its owner out.
 */
final class KnownDevice
{
    private const COOKIE = 'compadre_known';

    private const MINUTES = 60 * 24 * 365;

    /** What this device's tries at an account are counted by; null where nobody signed in to that account here before. */
    public static function of(Request $request, string $email): ?string
    {
        $kept = self::kept($request)[EmailAddress::skeleton($email)] ?? null;

        return is_string($kept) ? $kept : null;
    }

    public static function remember(Request $request, User $user): void
    {
        $account = EmailAddress::skeleton((string) $user->email);
        $kept = self::kept($request);
        // A shared laptop is known to a few, and no cookie grows without end.
        Cookie::queue(self::COOKIE, json_encode(array_slice([$account => $kept[$account] ?? Str::random(20)] + $kept, 0, 8), JSON_THROW_ON_ERROR), self::MINUTES);
    }

    /** @return array<mixed> a random word by account */
    private static function kept(Request $request): array
    {
        $cookie = $request->cookie(self::COOKIE);
        $kept = is_string($cookie) ? json_decode($cookie, true) : null;

        return is_array($kept) ? $kept : [];
    }
}
