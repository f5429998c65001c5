<?php

declare(strict_types=1);

namespace App\House;

use App\Http\Doorkeeper;
use App\Models\Group;
use Carbon\CarbonImmutable;

/**
 * What a house says to whoever comes: which it is, whether it waits for its first group, whether they are known.
 */
final class FrontDoor
{
    /** @return array{house: string, signed_in: bool, needs_setup: bool, today: string} */
    public static function look(): array
    {
        return [
            'house' => config()->string('app.house'),
            'signed_in' => Doorkeeper::guard()->check(),
            'needs_setup' => Group::query()->doesntExist(),
            'today' => CarbonImmutable::now()->format('Y-m-d'),
        ];
    }
}
