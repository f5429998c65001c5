<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
use Compadre\Core\Knots\Library;
use Sabre\VObject\Component\VCalendar;

/**
 * The meetings as iCalendar (RFC 5545): no learner's name in it, the place only where the group says so. A meeting keeps its
 * UID; SEQUENCE grows with each change, and one called off stays in as cancelled.
 */
final readonly class CalendarFile
{
    public function __construct(private Plans $plans, private Library $library)
    {
    }

    public function of(Group $group): string
    {
        $calendar = new VCalendar(['PRODID' => '-//Compadre//Course//EN', 'METHOD' => 'PUBLISH', 'X-WR-CALNAME' => $group->name, 'REFRESH-INTERVAL;VALUE=DURATION' => 'PT1H']);
        $shown = [];
        foreach ($this->plans->of($group)->kept()->shownIn as $knot => $meeting) {
            $shown[$meeting ?? ''][] = lcfirst($this->library->knot($knot)->names[0]);
        }
        foreach ($group->meetings()->get() as $meeting) {
            $calendar->add('VEVENT', $this->event($group, $meeting, $shown[$meeting->id] ?? []));
        }

        return $calendar->serialize();
    }

    /**
     * @param  list<string>  $knots
     * @return array<string, mixed>
     */
    private function event(Group $group, Meeting $meeting, array $knots): array
    {
        $start = CarbonImmutable::parse("{$meeting->date} {$meeting->starts_at}", $group->time_zone)->utc();
        $changed = CarbonImmutable::parse($meeting->getAttribute('updated_at'))->utc();

        return [
            'UID' => $meeting->id.'@compadre', 'DTSTAMP' => $changed->toDateTimeImmutable(), 'LAST-MODIFIED' => $changed->toDateTimeImmutable(),
            'DTSTART' => $start->toDateTimeImmutable(), 'DTEND' => $start->addMinutes($meeting->minutes)->toDateTimeImmutable(),
            'SUMMARY' => $group->name.($knots === [] ? '' : ': '.implode(', ', $knots)),
            'SEQUENCE' => $meeting->sequence, 'STATUS' => $meeting->cancelled_at === null ? 'CONFIRMED' : 'CANCELLED',
        ] + ($group->calendar_places && $meeting->place !== null ? ['LOCATION' => $meeting->place] : []);
    }
}
