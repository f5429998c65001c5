<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Group;

/**
 * A group that has moved to another house: here it is looked at, and nothing of it is written any more.
 */
final class LivesElsewhere extends TurnedAway
{
    /** @throws self where the group has moved */
    public static function hold(Group $group): void
    {
        if ($group->left_at !== null) {
            throw self::with(423, '/group', $group->name, 'http.moved', ['group' => $group->name, 'on' => self::dayOf($group, $group->left_at)]);
        }
    }
}
