<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

/**
 * Changes a meeting still to come, or calls it off. What was checked at a meeting stays with it.
 */
final readonly class ChangeMeeting
{
    public function __construct(private AddMeeting $add, private Library $library)
    {
    }

    public function __invoke(Group $group, Meeting $meeting, Fields $change): Meeting
    {
        $this->still($group, $meeting);
        $about = [
            'date' => $change->text('date', $meeting->date), 'starts_at' => $change->text('starts_at', $meeting->starts_at),
            'minutes' => $change->whole('minutes', $meeting->minutes), 'checkers' => $change->whole('checkers', $meeting->checkers),
            'place' => $change->has('place') ? (trim($change->text('place')) ?: null) : $meeting->place,
            'objects' => array_key_exists('objects', $change->raw()) ? ($change->has('objects') ? $change->texts('objects') : null) : $meeting->objects,
        ];
        $about['bans'] = $change->has('bans') ? $this->bans($change) : $meeting->bans;
        if ($about['date'] < $group->today()) {
            throw Refusal::of('/date', $about['date'], 'course.from_today', ['today' => $group->today()]);
        }
        $this->add->holdFree($group, $about['date'], $about['starts_at'], $about['minutes'], '/date', $meeting);
        $meeting->update($about + ['sequence' => $meeting->sequence + 1]);

        return $meeting->refresh();
    }

    public function callOff(Group $group, Meeting $meeting): void
    {
        $this->still($group, $meeting);
        $group->places()->where('meeting_id', $meeting->id)->delete();
        $meeting->update(['cancelled_at' => CarbonImmutable::now(), 'sequence' => $meeting->sequence + 1]);
    }

    /** @return list<string> */
    private function bans(Fields $change): array
    {
        $families = array_column(Family::cases(), 'value');
        foreach ($change->texts('bans') as $number => $what) {
            if (! $this->library->has($what) && ! in_array($what, $families, true)) {
                throw Refusal::of("/bans/$number", $what, 'course.ban', ['families' => $families]);
            }
        }

        return $change->texts('bans');
    }

    private function still(Group $group, Meeting $meeting): void
    {
        if (! $meeting->isAhead($group->today()) || $meeting->started_at !== null) {
            throw Refusal::of('/meeting', $meeting->id, 'course.begun');
        }
    }
}
