<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Rope;
use App\Models\User;
use Carbon\CarbonImmutable;

/**
 * The leaders of a group, the links still open, and its ropes.
 */
final class PeopleView
{
    /** @return array<string, mixed> */
    public static function of(User $viewer): array
    {
        $group = $viewer->group;
        $query = Invitation::query()->where('group_id', $group->id);
        $query->whereNull('used_at')->where('expires_at', '>', CarbonImmutable::now())->orderBy('expires_at');
        $open = $query->get();

        return [
            'people' => $group->memberships()->with('user')->get()->sortBy(fn (Membership $one): string => $one->user->name)->map(fn (Membership $one): array => [
                'id' => $one->user_id, 'name' => $one->user->name, 'email' => $one->user->email, 'role' => $one->role->value, 'you' => $one->user_id === $viewer->id,
            ])->values()->all(),
            'invitations' => $open->map(fn (Invitation $link): array => [
                'id' => $link->id, 'role' => $link->role->value, 'expires_at' => $link->expires_at->toIso8601ZuluString(),
            ])->values()->all(),
            'ropes' => $group->ropes()->get()->map(fn (Rope $rope): array => $rope->about())->values()->all(),
        ];
    }
}
