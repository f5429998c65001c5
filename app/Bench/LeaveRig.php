<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Meeting;
use App\Models\MeetingRig;

/**
 * Takes a rig's rope off what a meeting packs.
 */
final class LeaveRig
{
    public function __invoke(Meeting $meeting, string $taken): void
    {
        MeetingRig::query()->where('meeting_id', $meeting->id)->findOrFail($taken)->delete();
    }
}
