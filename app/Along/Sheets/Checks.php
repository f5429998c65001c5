<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Check\RecordChecks;
use App\Knots\KnotNames;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Learner;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * Checks of a group as they are sent by a device, written out of the record and read into it.
 */
final readonly class Checks
{
    /** So many go into the record at a time. */
    private const BATCH = 500;

    /** So many are held to the API document at a time. */
    private const HELD = 100;

    public function __construct(private RecordChecks $record, private ApiRow $api, private KnotNames $knots)
    {
    }

    /** @return iterable<CheckEvent> all of them, in the order in which they count */
    public function all(Group $group): iterable
    {
        $events = CheckEvent::query();
        $events->where('group_id', $group->id)->orderBy('corrected_at')->orderBy('device')->orderBy('device_seq')->orderBy('id');

        return $events->lazy(1000);
    }

    /**
     * An event as a device would send it whose clock is right.
     *
     * @return array<string, mixed> what is not said is left out
     */
    public static function sent(CheckEvent $event): array
    {
        $seen = $event->kind === Kind::Retract || $event->kind === Kind::Used ? [] : ['tying' => $event->tying->value, 'dressing' => $event->dressing->value, 'tail' => $event->tail->value];
        $about = [
            'id' => $event->id, 'schema' => 1, 'kind' => $event->kind->value, 'learner' => $event->learner_id, 'knot' => $event->knot, 'method' => $event->method, 'meeting' => $event->meeting_id,
            'device' => $event->device, 'device_seq' => $event->device_seq, 'observed_at' => $event->corrected_at->format('Y-m-d\TH:i:s.v\Z'), 'by' => $event->by,
        ] + $seen + [
            'purpose' => $event->purpose->value, 'test' => $event->test->value, 'how' => $event->how, 'measured_mm' => $event->measured_mm, 'measured_by' => $event->measured_by, 'rope' => $event->rope,
            'prompts' => $event->prompts, 'mistake' => $event->mistake, 'note' => $event->note, 'took_s' => $event->took_s, 'target' => $event->target, 'rig' => $event->rig,
        ];

        return array_filter($about, static fn (mixed $value): bool => $value !== null);
    }

    /**
     * @param  array<int, array<string, mixed>>  $events  by line
     * @param  array<int, Saying>  $faults  what is wrong already, by line
     * @return list<Row>
     */
    public function rows(User $by, array $events, array $faults): array
    {
        $seen = [];
        foreach (array_chunk($events, self::HELD, true) as $some) {
            // Most are good: only where one is not, each is held by itself.
            $areGood = $this->fault(array_values($some)) === null;
            foreach ($some as $line => $event) {
                $fault = $areGood ? null : $this->fault([$event]);
                $id = is_string($event['id'] ?? null) ? strtolower($event['id']) : '';
                $fault ??= isset($seen[$id]) ? new Saying('along.same_check', ['line' => $seen[$id]]) : null;
                $seen += [$id => $line];
                if ($fault !== null) {
                    $faults[$line] = $fault;
                    unset($events[$line]);
                }
            }
        }
        $names = Learner::query()->where('group_id', $by->group->id)->pluck('name', 'id')->all();
        $rows = [];
        $found = $this->record->look($by, self::batch(array_values($events)));
        foreach (array_keys($events) as $place => $line) {
            $rows[$line] = self::row($line, $this->says($events[$line], $names), $events[$line], $found[$place]);
        }
        foreach ($faults as $line => $fault) {
            $rows[$line] = Row::bad($line, '', $fault);
        }
        ksort($rows);

        return array_values($rows);
    }

    /** @param  list<Row>  $rows */
    public function take(User $by, array $rows): void
    {
        foreach (array_chunk($rows, self::BATCH) as $some) {
            ($this->record)($by, self::batch(array_map(static fn (Row $row): array => $row->data, $some)));
        }
    }

    /** @param  list<array<string, mixed>>  $events */
    private function fault(array $events): ?Saying
    {
        return $this->api->fault('POST', '/api/check-events', ['sent_at' => CarbonImmutable::now()->toIso8601ZuluString(), 'events' => $events]);
    }

    /** @param  list<array<string, mixed>>  $events */
    private static function batch(array $events): Fields
    {
        return Fields::of(['sent_at' => CarbonImmutable::now()->toIso8601ZuluString(), 'events' => $events]);
    }

    /** @param  array<string, mixed>  $event */
    private static function row(int $line, string $says, array $event, Refusal|string $found): Row
    {
        return match (true) {
            $found instanceof Refusal => Row::bad($line, $says, ApiRow::said($found)),
            $found === 'gone' => Row::bad($line, $says, new Saying('along.erased')),
            default => Row::good($line, $says, $event, $found === 'same' ? $event : null),
        };
    }

    /**
     * @param  array<string, mixed>  $event
     * @param  array<array-key, mixed>  $names
     */
    private function says(array $event, array $names): string
    {
        $fields = Fields::of($event);
        $knot = $fields->text('knot');
        $name = $names[strtolower($fields->text('learner'))] ?? '';

        return substr($fields->text('observed_at'), 0, 10).', '.(is_string($name) && $name !== '' ? "$name, " : '').$this->knots->of($knot);
    }
}
