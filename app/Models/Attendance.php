<?php

declare(strict_types=1);

namespace App\Models;

/**
 * @property ?string $group_id null where an app of before wrote it
 * @property string $meeting_id
 * @property string $learner_id
 * @property bool $present
 * @property string $marked_by
 */
final class Attendance extends Row
{
    use KeyedByColumns;

    protected $table = 'attendances';

    protected function casts(): array
    {
        return ['present' => 'boolean'];
    }

    public static function keyColumns(): array
    {
        return ['meeting_id', 'learner_id'];
    }
}
