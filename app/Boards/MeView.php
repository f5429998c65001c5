<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\User;

/**
 * Who is signed in, for which group, and what their role allows.
 */
final class MeView
{
    /** @return array<string, mixed> */
    public static function of(User $user): array
    {
        $group = $user->group;
        $today = $group->today();

        return [
            'user' => ['id' => $user->id, 'name' => $user->name, 'email' => $user->email, 'role' => $user->role->value],
            'group' => ['id' => $group->id, 'name' => $group->name, 'time_zone' => $group->time_zone, 'units' => $group->units, 'words' => $group->words, 'tail_school' => $group->tail_school->value],
            'today' => $today,
            'tonight' => $group->meetings()->where('date', $today)->first()?->id,
            'may' => ['plan' => $user->can('plan'), 'teach' => $user->can('teach'), 'check' => $user->can('check'), 'people' => $user->can('people')],
        ];
    }
}
