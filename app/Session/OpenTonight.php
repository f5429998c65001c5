<?php

declare(strict_types=1);

namespace App\Session;

use App\Course\AddMeeting;
use App\Models\Group;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Opens an evening nobody planned: a meeting from now on, like the last one, and started. A device without a network begins one of its
 * own and tells of it later: then it starts by the device's own steps, and where a meeting was on by then, it is that one.
 */
final readonly class OpenTonight
{
    public function __construct(private AddMeeting $add, private RunMeeting $run)
    {
    }

    /** @param  Fields  $asked  id, of the meeting as the device made it; ago_s, seconds since it was begun there */
    public function __invoke(Group $group, Fields $asked): Meeting
    {
        $meeting = DB::transaction(function () use ($group, $asked): Meeting {
            $group->takeTurns();

            return $this->known($group, $asked->textOrNull('id')) ?? $this->open($group, $asked);
        });

        return $meeting->refresh();
    }

    /** The same evening told of twice is one. */
    private function known(Group $group, ?string $id): ?Meeting
    {
        $known = $id === null ? null : Meeting::query()->find(strtolower($id));
        if ($known !== null && $known->group_id !== $group->id) {
            throw Refusal::of('/id', $id, 'session.new_id');
        }

        return $known;
    }

    private function open(Group $group, Fields $asked): Meeting
    {
        $at = CarbonImmutable::now($group->time_zone)->subSeconds($asked->whole('ago_s', 0));
        [$date, $time] = [$at->format('Y-m-d'), $at->format('H:i')];
        $usual = $group->term()->get()->where('date', '<=', $date)->last();
        $minutes = $usual->minutes ?? 60;
        $isTold = $asked->has('ago_s');
        $on = $isTold ? AddMeeting::onAt($group, $date, $time, $minutes) : null;
        if ($on !== null) {
            return $on;
        }
        $meeting = $this->add->write($group, $date, $time, $minutes, $usual->checkers ?? 2, $usual?->place, '/date', $asked->textOrNull('id'));
        if (! $isTold) {
            $this->run->begin($group, $meeting);
        }

        return $meeting;
    }
}
