<?php

declare(strict_types=1);

namespace App\Store;

use App\Models\Group;
use App\Models\Pole;
use App\Models\Stock;

/**
 * The rope and the poles a group has.
 */
final class StoreList
{
    /** @return array{stocks: list<array<string, mixed>>, poles: list<array<string, mixed>>} */
    public static function of(Group $group): array
    {
        return [
            'stocks' => array_values($group->stocks()->get()->map(fn (Stock $stock): array => $stock->about())->all()),
            'poles' => array_values($group->poles()->get()->map(fn (Pole $pole): array => $pole->about())->all()),
        ];
    }
}
