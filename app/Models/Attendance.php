<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property ?string $group_id null where an app of before wrote it
 * @property string $meeting_id
 * @property string $learner_id
 * @property bool $present
 * @property string $marked_by
 */
final class Attendance extends Model
{
    use KeyedByColumns;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['present' => 'boolean'];
    }

    public static function keyColumns(): array
    {
        return ['meeting_id', 'learner_id'];
    }
}
