<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;

/**
 * The private address of a group's calendar. Whoever holds it reads the dates, without an account.
 */
final class CalendarFeed
{
    /** A new address; the one before ends. */
    public function offer(Group $group, bool $places): string
    {
        $token = bin2hex(random_bytes(16));
        $group->update(['calendar_hash' => Group::hash($token), 'calendar_places' => $places]);

        return url("/calendar/$token.ics");
    }

    public function end(Group $group): void
    {
        $group->update(['calendar_hash' => null]);
    }

    public function groupOf(string $token): Group
    {
        return Group::query()->where('calendar_hash', Group::hash($token))->whereNull('closed_at')->firstOrFail();
    }
}
