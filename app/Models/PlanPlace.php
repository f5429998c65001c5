<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * Where the accepted plan shows a knot; no meeting: left out. Pinned: a leader put it there.
 *
 * @property string $group_id
 * @property string $knot
 * @property ?string $meeting_id
 * @property bool $pinned
 */
final class PlanPlace extends Model
{
    use KeyedByColumns;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['pinned' => 'boolean'];
    }

    public static function keyColumns(): array
    {
        return ['group_id', 'knot'];
    }
}
