<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Checking\CheckEvent as CoreEvent;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * One entry of the append-only record of checks. Never changed once written.
 *
 * @property string $id
 * @property Kind $kind
 * @property string $group_id
 * @property string $learner_id
 * @property string $knot
 * @property ?string $method
 * @property ?string $meeting_id
 * @property string $device
 * @property int $device_seq
 * @property CarbonImmutable $observed_at
 * @property CarbonImmutable $received_at
 * @property CarbonImmutable $corrected_at
 * @property int $clock_off_s
 * @property string $day
 * @property bool $day_by_server its day is that of its arrival: the time it named cannot be
 * @property string $by who tapped it
 * @property ?string $sent_by the lead who sent it on
 * @property Seen $tying
 * @property Seen $dressing
 * @property Seen $tail
 * @property Seen $purpose
 * @property Seen $test
 * @property string $how
 * @property ?float $measured_mm
 * @property ?string $measured_by
 * @property ?array<string, mixed> $rope
 * @property int $prompts
 * @property ?string $mistake
 * @property ?string $note
 * @property ?string $target
 * @property ?string $rig that the knot was used in
 * @property ?string $rig_name what it was called then
 * @property ?float $took_s
 * @property Verdict $verdict
 * @property ?string $answer_level what was answered when it came in
 * @property string $answer_next
 * @property int $rule_version
 * @property int $pack_version
 */
final class CheckEvent extends Row
{
    public $timestamps = false;

    public $incrementing = false;

    protected $keyType = 'string';

    protected $table = 'check_events';

    protected $dateFormat = 'Y-m-d H:i:s.v';

    protected function casts(): array
    {
        return [
            'kind' => Kind::class, 'observed_at' => 'immutable_datetime', 'received_at' => 'immutable_datetime', 'corrected_at' => 'immutable_datetime',
            'tying' => Seen::class, 'dressing' => Seen::class, 'tail' => Seen::class, 'purpose' => Seen::class, 'test' => Seen::class,
            'measured_mm' => 'float', 'took_s' => 'float', 'rope' => 'array', 'verdict' => Verdict::class,
            'device_seq' => 'integer', 'prompts' => 'integer', 'clock_off_s' => 'integer', 'day_by_server' => 'boolean', 'rule_version' => 'integer', 'pack_version' => 'integer',
        ];
    }

    /**
     * The events of some learners and knots as the core needs them; knots used in rigs stand in no level.
     *
     * @param  list<array{string, string}>  $pairs  learner and knot
     * @return iterable<CoreEvent>
     */
    public static function coreOf(array $pairs): iterable
    {
        return $pairs === [] ? [] : self::cores(Pairs::in('check_events', $pairs));
    }

    /**
     * Rows of the record, as the database takes them and all with the same fields; the query builder would sort each row's fields anew.
     *
     * @param  non-empty-list<array<string, scalar|null>>  $rows
     */
    public static function write(array $rows): void
    {
        $fields = implode(', ', array_map(static fn (string $field): string => "`$field`", array_keys($rows[0])));
        $places = '('.implode(', ', array_fill(0, count($rows[0]), '?')).')';
        $values = [];
        foreach ($rows as $row) {
            foreach ($row as $value) {
                $values[] = $value;
            }
        }
        DB::insert("insert into check_events ($fields) values ".implode(', ', array_fill(0, count($rows), $places)), $values);
    }

    /** @return iterable<CoreEvent> */
    public static function coreOfGroup(Group $group): iterable
    {
        return self::cores(DB::table('check_events')->where('group_id', $group->id));
    }

    /** @return iterable<CoreEvent> */
    private static function cores(Builder $events): iterable
    {
        foreach ($events->where('kind', '!=', Kind::Used->value)->get(['id', 'kind', 'learner_id', 'knot', 'device', 'device_seq', 'corrected_at', 'day', 'by', 'verdict', 'tying', 'dressing', 'tail', 'prompts', 'target']) as $row) {
            yield new CoreEvent(
                $row->id, Kind::from($row->kind), $row->learner_id, $row->knot, $row->device, (int) $row->device_seq, $row->corrected_at, $row->day, $row->by,
                Verdict::from($row->verdict), Seen::from($row->tying), Seen::from($row->dressing), Seen::from($row->tail), (int) $row->prompts, $row->target,
            );
        }
    }

    /** The checks of a group with a mistake that was named, without those that were taken back. */
    public static function withMistake(Group $group): Builder
    {
        return DB::table('check_events')->where('group_id', $group->id)->whereNotNull('mistake')->whereNotExists(self::takenBack(...));
    }

    /** Looks for what takes an event back, in a query of events. */
    public static function takenBack(Builder $back): Builder
    {
        return $back->from('check_events as back')->whereColumn('back.target', 'check_events.id')->where('back.kind', Kind::Retract->value);
    }
}
