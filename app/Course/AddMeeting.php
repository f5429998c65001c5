<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\Meeting;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * Adds a dated meeting. Two meetings of a group never overlap.
 */
final class AddMeeting
{
    public function __invoke(Group $group, Fields $meeting): Meeting
    {
        $date = $meeting->text('date');
        if ($date < $group->today()) {
            throw Refusal::of('/date', $date, 'course.from_today', ['today' => $group->today()]);
        }

        return $this->write($group, $date, $meeting->text('starts_at'), $meeting->whole('minutes'), $meeting->whole('checkers'), $meeting->textOrNull('place'), '/date');
    }

    public function write(Group $group, string $date, string $startsAt, int $minutes, int $checkers, ?string $place, string $field, ?string $id = null): Meeting
    {
        $this->holdFree($group, $date, $startsAt, $minutes, $field);

        return $group->meetings()->create(($id === null ? [] : ['id' => strtolower($id)]) + [
            'date' => $date, 'starts_at' => $startsAt, 'minutes' => $minutes, 'checkers' => $checkers,
            'place' => $place === null || trim($place) === '' ? null : trim($place),
        ])->refresh();
    }

    /** @throws Refusal where another meeting of the group is on at that time */
    public function holdFree(Group $group, string $date, string $startsAt, int $minutes, string $field, ?Meeting $but = null): void
    {
        $other = self::onAt($group, $date, $startsAt, $minutes, $but);
        if ($other !== null) {
            throw Refusal::of($field, $date, 'course.time_taken', ['date' => $date, 'from' => $other->starts_at, 'minutes' => $other->minutes]);
        }
    }

    /** The group's meeting that is on at that time. */
    public static function onAt(Group $group, string $date, string $startsAt, int $minutes, ?Meeting $but = null): ?Meeting
    {
        return $group->term()->where('date', $date)->get()
            ->first(static fn (Meeting $other): bool => $other->id !== $but?->id && self::overlap($other->starts_at, $other->minutes, $startsAt, $minutes));
    }

    /** Whether two stretches of one day share any time. */
    public static function overlap(string $first, int $firstMinutes, string $second, int $secondMinutes): bool
    {
        return self::minute($first) < self::minute($second) + $secondMinutes && self::minute($second) < self::minute($first) + $firstMinutes;
    }

    private static function minute(string $time): int
    {
        [$hours, $minutes] = explode(':', $time) + ['0', '0'];

        return 60 * (int) $hours + (int) $minutes;
    }
}
