<?php

declare(strict_types=1);

namespace App\Models;

/**
 * Where a leader has pinned a knot; no meeting: left out.
 *
 * @property string $group_id
 * @property string $knot
 * @property ?string $meeting_id
 */
final class PlanPlace extends Row
{
    use KeyedByColumns;

    protected $table = 'plan_places';

    public static function keyColumns(): array
    {
        return ['group_id', 'knot'];
    }
}
