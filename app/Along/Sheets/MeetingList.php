<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Course\AddMeeting;
use App\Course\ChangeMeeting;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\User;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\MeetingSheet;
use Compadre\Core\Words\Saying;

/**
 * The meetings: day, start, minutes, leaders who check, place. One that begins at the same time of the same day is changed.
 */
final readonly class MeetingList implements Listing
{
    public function __construct(private AddMeeting $add, private ChangeMeeting $change)
    {
    }

    public function form(): string
    {
        return 'table';
    }

    public function write(Group $group, string $between): string
    {
        $rows = $group->term()->get()->map(fn (Meeting $meeting): array => [$meeting->date, $meeting->starts_at, (string) $meeting->minutes, (string) $meeting->checkers, (string) $meeting->place]);

        return CsvTable::write(array_keys(MeetingSheet::COLUMNS), array_values($rows->all()), $between);
    }

    public function look(User $by, string $bytes): Looked
    {
        $table = CsvTable::read($bytes, MeetingSheet::MOST);
        $group = $by->group;
        $here = $group->term()->get()->keyBy(fn (Meeting $one): string => "$one->date $one->starts_at");
        $rows = $kept = [];
        foreach (MeetingSheet::rows($table) as $row) {
            $about = Fields::of($row->data);
            $says = "{$about->text('date')}, {$about->text('starts_at')}, ".implode(', ', array_filter([(string) $about->whole('minutes'), $about->textOrNull('place')]));
            $known = $here->get("{$about->text('date')} {$about->text('starts_at')}");
            $fault = $row->fault ?? $this->fault($group, $row, $known, $kept);
            $rows[] = $fault === null ? Row::good($row->line, $says, $row->data, $known?->only(array_keys($row->data))) : Row::bad($row->line, $says, $fault);
            $fault === null ? $kept[] = $row : null;
        }

        return new Looked($rows, $table->encoding, $table->leftOut(MeetingSheet::COLUMNS));
    }

    public function take(User $by, array $rows): void
    {
        $here = $by->group->term()->get()->keyBy(fn (Meeting $one): string => "$one->date $one->starts_at");
        foreach ($rows as $row) {
            $about = Fields::of($row->data);
            $known = $here->get("{$about->text('date')} {$about->text('starts_at')}");
            $known === null
                ? $this->add->write($by->group, $about->text('date'), $about->text('starts_at'), $about->whole('minutes'), $about->whole('checkers'), $about->textOrNull('place'), '/bytes')
                : ($this->change)($by->group, $known, Fields::of(['place' => (string) $about->textOrNull('place')] + $row->data));
        }
    }

    /** @param  list<SheetRow>  $kept  the rows above it that are good */
    private function fault(Group $group, SheetRow $row, ?Meeting $known, array $kept): ?Saying
    {
        $about = Fields::of($row->data);
        if ($known !== null && $known->only(array_keys($row->data)) === $row->data) {
            // There is nothing to do about it, whenever it was.
            return null;
        }
        if ($about->text('date') < $group->today()) {
            return new Saying('along.date_past', ['date' => $about->text('date'), 'today' => $group->today()]);
        }
        foreach ($kept as $other) {
            $there = Fields::of($other->data);
            if ($there->text('date') === $about->text('date') && AddMeeting::overlap($there->text('starts_at'), $there->whole('minutes'), $about->text('starts_at'), $about->whole('minutes'))) {
                return new Saying('along.line_at_that_time', ['line' => $other->line]);
            }
        }
        try {
            $this->add->holdFree($group, $about->text('date'), $about->text('starts_at'), $about->whole('minutes'), '/bytes', $known);
        } catch (Refusal $refusal) {
            return $refusal->sentence();
        }

        return $known === null || $known->isAhead($group->today()) && $known->started_at === null ? null : new Saying('along.meeting_begun');
    }
}
