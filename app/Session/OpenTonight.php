<?php

declare(strict_types=1);

namespace App\Session;

use App\Course\AddMeeting;
use App\Models\Group;
use App\Models\Meeting;
use Carbon\CarbonImmutable;

/**
 * Opens an evening nobody planned: a meeting from now on, like the last one, and started.
 */
final readonly class OpenTonight
{
    public function __construct(private AddMeeting $add, private RunMeeting $run)
    {
    }

    public function __invoke(Group $group): Meeting
    {
        $now = CarbonImmutable::now($group->time_zone);
        $usual = $group->term()->get()->where('date', '<=', $group->today())->last();
        $meeting = $this->add->write(
            $group, $group->today(), $now->format('H:i'), $usual->minutes ?? 60, $usual->checkers ?? 2, $usual?->place, '/date',
        );
        $this->run->begin($group, $meeting);

        return $meeting->refresh();
    }
}
