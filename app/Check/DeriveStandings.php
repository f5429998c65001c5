<?php

declare(strict_types=1);

namespace App\Check;

use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Standing;
use App\Models\Turn;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Standing as CoreStanding;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Illuminate\Support\Facades\DB;

/**
 * Keeps the standings rows what the core derives from the events. Runs inside the caller's transaction.
 */
final class DeriveStandings
{
    /** So many rows are written at once. */
    private const ROWS = 500;

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * Takes new events into the record, each with the level it brought its learner to, and writes the standings that come of them.
     *
     * @param  list<ReadCheck>  $reads  of one group
     * @return array<string, array<string, scalar|null>> the rows of the record, by id
     */
    public function record(Group $group, array $reads): array
    {
        $model = $group->memory();
        $pairs = self::byPair(array_values(array_filter($reads, static fn (ReadCheck $read): bool => $read->core->kind !== Kind::Used)));
        $found = self::addToTallies($pairs, $model);
        $found += self::addToEvents(array_diff_key($pairs, $found), $model);
        $rows = [];
        foreach ($reads as $read) {
            $rows[$read->core->id] = $read->answered(($found[$read->pair()][$read->core->id] ?? null)?->level);
        }
        foreach (array_chunk(array_values($rows), self::ROWS) as $some) {
            CheckEvent::write($some);
        }
        $this->write($group, array_map(static fn (array $standings): ?CoreStanding => end($standings) ?: null, $found));

        return $rows;
    }

    /**
     * The pairs whose new events can be added to what was tallied: nothing else of them has to be read.
     *
     * @param  array<string, non-empty-list<ReadCheck>>  $pairs
     * @return array<string, array<string, CoreStanding>> by pair, then by event
     */
    private static function addToTallies(array $pairs, MemoryModel $model): array
    {
        $found = [];
        foreach (Standing::tallies(self::matters($pairs)) as $pair => $tally) {
            $standings = [];
            foreach ($pairs[$pair] as $read) {
                $tally = $tally?->with($read->core);
                if ($tally === null) {
                    continue 2;
                }
                $standings[$read->core->id] = CoreStanding::ofTally($tally, $read->isHard(), $model);
            }
            $found[$pair] = $standings;
        }

        return $found;
    }

    /**
     * @param  array<string, non-empty-list<ReadCheck>>  $pairs
     * @return array<string, array<string, ?CoreStanding>> by pair, then by event
     */
    private static function addToEvents(array $pairs, MemoryModel $model): array
    {
        $events = array_map(static fn (): array => [], $pairs);
        foreach (CheckEvent::coreOf(self::matters($pairs)) as $event) {
            $events["$event->learner $event->knot"][] = $event;
        }
        $found = [];
        foreach ($pairs as $pair => $own) {
            foreach ($own as $read) {
                $events[$pair][] = $read->core;
                $found[$pair][$read->core->id] = Standings::derive($events[$pair], $read->isHard() ? [$read->core->knot] : [], $model)[0] ?? null;
            }
        }

        return $found;
    }

    /** @param  array<string, ?CoreStanding>  $standings  by learner and knot, null where nothing is left of one */
    private function write(Group $group, array $standings): void
    {
        $rows = [];
        foreach ($standings as $pair => $standing) {
            if ($standing === null) {
                [$learner, $knot] = explode(' ', $pair);
                Standing::query()->where('learner_id', $learner)->where('knot', $knot)->delete();
            } else {
                $rows[] = self::row($group->id, $standing);
            }
        }
        foreach (array_chunk($rows, self::ROWS) as $some) {
            Standing::query()->upsert($some, ['learner_id', 'knot']);
        }
    }

    /**
     * @param  list<ReadCheck>  $reads
     * @return array<string, non-empty-list<ReadCheck>>
     */
    private static function byPair(array $reads): array
    {
        $pairs = [];
        foreach ($reads as $read) {
            $pairs[$read->pair()][] = $read;
        }

        return $pairs;
    }

    /**
     * @param  array<string, non-empty-list<ReadCheck>>  $pairs
     * @return list<array{string, string}> learner and knot
     */
    private static function matters(array $pairs): array
    {
        return array_map(static fn (array $own): array => [$own[0]->core->learner, $own[0]->core->knot], array_values($pairs));
    }

    /** Derives every row of a group anew. */
    public function rebuild(Group $group): void
    {
        DB::transaction(function () use ($group): void {
            Turn::at('learners', ...$group->learners()->pluck('id')->all());
            Standing::query()->where('group_id', $group->id)->delete();
            $rows = array_map(fn (CoreStanding $standing): array => self::row($group->id, $standing), Standings::derive(CheckEvent::coreOfGroup($group), $this->library->hard(), $group->memory()));
            foreach (array_chunk($rows, self::ROWS) as $some) {
                Standing::query()->insert($some);
            }
        });
    }

    /** @return array<string, mixed> */
    private static function row(string $group, CoreStanding $standing): array
    {
        return [
            'learner_id' => $standing->learner, 'knot' => $standing->knot, 'group_id' => $group,
            'level' => $standing->level?->value, 'verdict' => $standing->current->verdict->value,
            'tying' => $standing->current->tying->value, 'dressing' => $standing->current->dressing->value, 'tail' => $standing->current->tail->value,
            'prompts' => $standing->current->prompts, 'day' => $standing->current->day, 'event_id' => $standing->current->id,
            'two_leaders' => $standing->twoLeaders(), 'has_it_since' => $standing->hasItSince, 'kept_since' => $standing->keptSince,
            'half_life_days' => $standing->memory?->halfLife, 'last_day' => $standing->memory?->lastDay,
            'tally' => $standing->tally === null ? null : Json::write($standing->tally->toArray()),
        ];
    }
}
