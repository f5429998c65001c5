<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\Device;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\Request;

/**
 * The devices people are signed in on: a lead sees all of the group, others their own.
 */
final class DeviceList
{
    /** @return list<array<string, mixed>> */
    public static function of(Request $request, User $viewer): array
    {
        $here = Device::of($request, $viewer)->id;
        $query = Device::query();
        // What others have open in another group is not this group's to see.
        $query->where(static fn (Builder $own): Builder => $own->where('user_id', $viewer->id)->when($viewer->role->plans(), static fn (Builder $all): Builder => $all->orWhere('group_id', $viewer->group->id)));
        $query->whereNull('revoked_at')->orderByDesc('seen_at')->limit(100);

        return array_values($query->get()->load('user')->map(fn (Device $device): array => [
            'id' => $device->id, 'who' => $device->user->name, 'label' => $device->label, 'seen_at' => $device->seen_at->toIso8601ZuluString(), 'here' => $device->id === $here,
        ])->all());
    }
}
