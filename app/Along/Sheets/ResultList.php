<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Knots\KnotNames;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\ResultSheet;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\LearnerName;
use Ramsey\Uuid\Uuid;

/**
 * The record of checks as a table; and what was noted on paper, or in a spreadsheet.
 */
final readonly class ResultList implements Listing
{
    /** What checks are named in that no device has named. */
    private const NAMES = '4c0f2f0e-5a1c-4e52-9a53-c6a2d5c2a3d1';

    /** When it was, where a table gives no more than the day, and no meeting was on it. */
    private const NOON = '12:00';

    public function __construct(private Checks $checks, private Library $library, private KnotNames $names)
    {
    }

    public function form(): string
    {
        return 'table';
    }

    public function write(Group $group, string $between): string
    {
        $learners = Learner::query()->where('group_id', $group->id)->pluck('name', 'id');
        $people = User::everOf($group)->pluck('name', 'id');
        $days = $group->meetings()->pluck('date', 'id');
        $rows = [];
        foreach ($this->checks->all($group) as $event) {
            $cells = ['learner' => $learners->get($event->learner_id), 'knot' => $this->names->of($event->knot), 'meeting' => $days->get((string) $event->meeting_id), 'by' => $people->get($event->by)] + self::cells($event);
            $rows[] = array_map(static fn (string $column): string => is_scalar($cells[$column] ?? null) ? (string) $cells[$column] : '', array_keys(ResultSheet::COLUMNS));
        }

        return CsvTable::write(array_keys(ResultSheet::COLUMNS), $rows, $between);
    }

    public function look(User $by, string $bytes): Looked
    {
        $table = CsvTable::read($bytes, ResultSheet::MOST);
        $group = $by->group;
        $events = $faults = $times = [];
        $evenings = $group->term()->get()->sortByDesc('starts_at')->keyBy('date')->all();
        foreach ($this->sheet($group)->rows($table) as $row) {
            if ($row->fault !== null) {
                $faults[$row->line] = $row->fault;

                continue;
            }
            $event = $this->event($group, $row->data, $evenings);
            // Twice the same on one day is two checks.
            $times[$event['id']] = ($times[$event['id']] ?? -1) + 1;
            $events[$row->line] = ['id' => $times[$event['id']] === 0 || isset($row->data['id']) ? $event['id'] : (string) Uuid::uuid5(self::NAMES, "{$event['id']} {$times[$event['id']]}")] + $event;
        }

        return new Looked($this->checks->rows($by, $events, $faults), $table->encoding, $table->leftOut(ResultSheet::COLUMNS));
    }

    public function take(User $by, array $rows): void
    {
        $this->checks->take($by, $rows);
    }

    private function sheet(Group $group): ResultSheet
    {
        $learners = $knots = $meetings = [];
        foreach ([...$group->archived()->get(), ...$group->learners()->get()] as $learner) {
            $learners[LearnerName::key($learner->name)] = $learner->id;
        }
        foreach ($this->library->all() as $knot) {
            foreach ($knot->isTaught() ? [$knot->id, ...$knot->names] : [] as $name) {
                $knots[mb_strtolower($name)] = $knot;
            }
        }
        foreach ($group->meetings()->get() as $meeting) {
            $meetings[$meeting->date] = $meeting->id;
        }
        $people = User::everOf($group)->get()->mapWithKeys(static fn (User $one): array => [mb_strtolower($one->name) => $one->id])->all();

        return new ResultSheet($learners, $knots, $people, $meetings, $group->firstDay(), $group->today());
    }

    /**
     * @param  array<string, mixed>  $data
     * @param  array<array-key, Meeting>  $evenings  by day
     * @return array<string, mixed> as a device would send it; the same row is the same check, whenever it is brought
     */
    private function event(Group $group, array $data, array $evenings): array
    {
        $row = Fields::of($data);
        $own = ['schema' => 1, 'device' => $row->textOrNull('device') ?? 'table', 'device_seq' => $row->wholeOrNull('device_seq') ?? $row->whole('at')];
        $event = array_filter(array_diff_key($data, ['day' => 1, 'at' => 1, 'id' => 1, 'device' => 1, 'device_seq' => 1, 'observed_at' => 1]), static fn (mixed $value): bool => $value !== null);
        if ($row->textOrNull('id') !== null && $row->textOrNull('observed_at') !== null) {
            return ['id' => $row->text('id'), 'observed_at' => $row->text('observed_at')] + $own + $event;
        }
        $meeting = $evenings[$row->text('day')] ?? null;
        $event += $meeting === null ? [] : ['meeting' => $meeting->id];
        $at = CarbonImmutable::parse($row->text('day').' '.($meeting->starts_at ?? self::NOON), $group->time_zone)->addSeconds($row->whole('at'));
        ksort($event);

        return ['id' => (string) Uuid::uuid5(self::NAMES, $group->id.$row->text('day').json_encode($event)), 'observed_at' => $at->min(CarbonImmutable::now())->utc()->format('Y-m-d\TH:i:s.v\Z')] + $own + $event;
    }

    /** @return array<string, mixed> */
    private static function cells(CheckEvent $event): array
    {
        $says = $event->kind !== Kind::Retract && $event->kind !== Kind::Used;
        $seen = static fn (Seen $part): string => match ($part) {
            Seen::NotLooked => '',
            Seen::NotApplicable => 'not applicable',
            default => $part->value,
        };

        return [
            'day' => $event->day, 'verdict' => $says ? str_replace('_', ' ', $event->verdict->value) : '', 'tying' => $says ? $seen($event->tying) : '', 'dressing' => $says ? $seen($event->dressing) : '', 'tail' => $says ? $seen($event->tail) : '',
            'purpose' => $seen($event->purpose), 'test' => $seen($event->test), 'prompts' => $event->prompts === 0 ? '' : $event->prompts, 'mistake' => $event->mistake, 'note' => $event->note, 'measured_mm' => $event->measured_mm, 'measured_by' => $event->measured_by,
            'rope_mm' => $event->rope['diameter_mm'] ?? '', 'rope_material' => $event->rope['material'] ?? '', 'rope_wet' => ($event->rope['wet'] ?? false) === true ? 'yes' : '', 'rope_width_mm' => $event->rope['width_mm'] ?? '',
            'took_s' => $event->took_s, 'kind' => $event->kind->value, 'method' => $event->method, 'rig' => $event->rig, 'about' => $event->target, 'id' => $event->id, 'device' => $event->device, 'device_seq' => $event->device_seq,
            'observed_at' => $event->corrected_at->format('Y-m-d\TH:i:s.v\Z'),
        ];
    }
}
