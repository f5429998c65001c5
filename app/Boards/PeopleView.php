<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Invitation;
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
            'people' => $group->people()->with('membership')->get()->map(fn (User $user): array => [
                'id' => $user->id, 'name' => $user->name, 'email' => $user->email, 'role' => $user->role->value, 'you' => $user->id === $viewer->id,
            ])->values()->all(),
            'invitations' => $open->map(fn (Invitation $link): array => [
                'id' => $link->id, 'role' => $link->role->value, 'expires_at' => $link->expires_at->toIso8601ZuluString(),
            ])->values()->all(),
            'ropes' => $group->ropes()->get()->map(self::rope(...))->values()->all(),
        ];
    }

    /** @return array{id: string, name: string, diameter_mm: float, material: string, is_usual: bool} */
    public static function rope(Rope $rope): array
    {
        return ['id' => $rope->id, 'name' => $rope->name, 'diameter_mm' => $rope->diameter_mm, 'material' => $rope->material->value, 'is_usual' => $rope->is_usual];
    }
}
