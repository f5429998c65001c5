<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Group;
use App\Models\Stock;

/**
 * The rope a group has.
 */
final class StoreList
{
    /** @return list<array<string, mixed>> */
    public static function of(Group $group): array
    {
        return array_values($group->stocks()->get()->map(fn (Stock $stock): array => $stock->about())->all());
    }
}
