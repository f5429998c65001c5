<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Group;

/**
 * No group is open to whoever asks: they belong to none, theirs is closed, or their page shows another.
 */
final class NoGroup extends TurnedAway
{
    public static function none(): self
    {
        return self::with(403, '/group', null, 'http.no_group');
    }

    public static function another(Group $open): self
    {
        return self::with(409, '/group', $open->name, 'http.another_group', ['group' => $open->name]);
    }

    /** @throws self where whoever hosts the house has closed it */
    public static function holdOpen(Group $group): void
    {
        if ($group->closed_at !== null) {
            throw self::with(423, '/group', $group->name, 'http.closed', ['group' => $group->name, 'on' => self::dayOf($group, $group->closed_at)]);
        }
    }
}
