<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Group;
use RuntimeException;

/**
 * No group is open to whoever asks: they belong to none, theirs is closed, or their page shows another.
 */
final class NoGroup extends RuntimeException
{
    private function __construct(public readonly int $status, public readonly ?string $group, public readonly string $allowed, string $message)
    {
        parent::__construct($message);
    }

    public static function none(): self
    {
        return new self(403, null, 'somebody who belongs to a group', 'You host this house, and belong to no group of it: what a group has is its own to see.');
    }

    public static function another(Group $open): self
    {
        return new self(409, $open->name, 'a page of the group that is open', "On this device $open->name is open now, and this page is of another group. Load it anew; nothing was written.");
    }

    /** @throws self where whoever hosts the house has closed it */
    public static function holdOpen(Group $group): void
    {
        if ($group->closed_at !== null) {
            $day = $group->closed_at->setTimezone($group->time_zone)->format('j F Y');
            throw new self(423, $group->name, 'a group that is open', "$group->name was closed on $day by whoever hosts this house. Nothing of it is lost: ask them.");
        }
    }
}
