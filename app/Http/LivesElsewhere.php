<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Group;
use RuntimeException;

/**
 * A group that has moved to another house: here it is looked at, and nothing of it is written any more.
 */
final class LivesElsewhere extends RuntimeException
{
    private function __construct(public readonly string $group, string $message)
    {
        parent::__construct($message);
    }

    /** @throws self where the group has moved */
    public static function hold(Group $group): void
    {
        if ($group->left_at !== null) {
            $day = $group->left_at->setTimezone($group->time_zone)->format('j F Y');
            throw new self($group->name, "$group->name has moved to another house on $day. Here it can only be looked at; nothing was written.");
        }
    }
}
