<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Meeting;
use App\Models\User;
use Carbon\CarbonImmutable;

/**
 * Who is signed in, for which group, and what their role allows.
 */
final class MeView
{
    /** So many days without a network a device knows of: as long as it keeps what it has. */
    private const AHEAD = 14;

    /** @return array<string, mixed> */
    public static function of(User $user): array
    {
        $group = $user->group;
        $today = $group->today();
        $ahead = $group->meetings()->where('date', '>=', $today)->where('date', '<=', CarbonImmutable::parse($today)->addDays(self::AHEAD)->format('Y-m-d'))->get();

        return [
            'user' => ['id' => $user->id, 'name' => $user->name, 'email' => $user->email, 'role' => $user->role->value],
            'group' => ['id' => $group->id, 'name' => $group->name, 'time_zone' => $group->time_zone, 'units' => $group->units, 'words' => $group->words, 'tail_school' => $group->tail_school->value],
            'today' => $today,
            'tonight' => $ahead->firstWhere('date', $today)?->id,
            'ahead' => $ahead->map(static fn (Meeting $one): array => ['id' => $one->id, 'date' => $one->date])->values()->all(),
            'may' => ['plan' => $user->can('plan'), 'teach' => $user->can('teach'), 'check' => $user->can('check'), 'people' => $user->can('people')],
        ];
    }
}
