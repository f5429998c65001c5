<?php

declare(strict_types=1);

namespace App\House;

use App\Check\HandInChecks;
use App\Models\Device;
use App\Models\Meeting;
use App\Models\Membership;
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
    public static function of(User $user, Device $device): array
    {
        $group = $user->group;
        $today = $group->today();
        $ahead = $group->term()->where('date', '>=', $today)->where('date', '<=', CarbonImmutable::parse($today)->addDays(self::AHEAD)->format('Y-m-d'))->get();

        return [
            'user' => ['id' => $user->id, 'name' => $user->name, 'email' => $user->email, 'role' => $user->role->value],
            'group' => ['id' => $group->id, 'name' => $group->name, 'time_zone' => $group->time_zone, 'units' => $group->units, 'words' => $group->words, 'tail_school' => $group->tail_school->value, 'left_at' => $group->left_at?->toIso8601ZuluString()],
            'groups' => $user->inForce()->with('group')->get()->map(static fn (Membership $one): array => ['id' => $one->group_id, 'name' => $one->group->name, 'role' => $one->role->value])->values()->all(),
            'hosts' => $user->hosts(),
            'today' => $today,
            'tonight' => $ahead->firstWhere('date', $today)?->id,
            'ahead' => $ahead->map(static fn (Meeting $one): array => ['id' => $one->id, 'date' => $one->date])->values()->all(),
            // What this phone hands its checks in by, should its access end while some still wait on it.
            'hand_in' => HandInChecks::key($user, $device),
            'may' => ['plan' => $user->can('plan'), 'teach' => $user->can('teach'), 'check' => $user->can('check'), 'people' => $user->can('people'), 'award' => $user->can('award')],
        ];
    }
}
