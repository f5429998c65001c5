<?php

declare(strict_types=1);

namespace App\House;

use App\Http\Doorkeeper;
use Carbon\CarbonImmutable;

/**
 * What a house says to whoever comes: which it is, whether it waits for its first group, whether they are known.
 */
final class FrontDoor
{
    /** @return array{house: string, signed_in: bool, hosts: bool, needs_setup: bool, today: string} */
    public static function look(): array
    {
        $user = Doorkeeper::guard()->user();
        $hosts = $user?->hosts() === true;

        return [
            'house' => config()->string('app.house'),
            'signed_in' => $user !== null && (! $hosts || $user->opened() !== null),
            'hosts' => $hosts,
            'needs_setup' => EmptyHouse::waits(),
            'today' => CarbonImmutable::now()->format('Y-m-d'),
        ];
    }
}
