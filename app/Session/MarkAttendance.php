<?php

declare(strict_types=1);

namespace App\Session;

use App\Models\Attendance;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\User;
use Carbon\CarbonImmutable;

/**
 * Marks a learner here or away; the last word counts.
 */
final class MarkAttendance
{
    public function __invoke(Meeting $meeting, Learner $learner, User $by, bool $present): void
    {
        $now = CarbonImmutable::now();
        Attendance::query()->upsert(
            [['group_id' => $meeting->group_id, 'meeting_id' => $meeting->id, 'learner_id' => $learner->id, 'present' => $present, 'marked_by' => $by->id, 'created_at' => $now, 'updated_at' => $now]],
            ['meeting_id', 'learner_id'], ['present', 'marked_by', 'updated_at'],
        );
    }
}
