<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Standing;
use Compadre\Core\Checking\CheckEvent as CoreEvent;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Standing as CoreStanding;
use Compadre\Core\Checking\Standings;
use Compadre\Core\Knots\Library;
use Illuminate\Support\Facades\DB;

/**
 * Keeps the standings rows what the core derives from the events. Runs inside the caller's transaction.
 */
final class DeriveStandings
{
    /** So many rows are written at once. */
    private const ROWS = 500;

    /** @var array<string, array<string, CoreEvent>> events by learner and knot, by id */
    private array $events = [];

    /** @var array<string, array{string, string, string, ?CoreStanding}> group, learner, knot and the standing to be written */
    private array $touched = [];

    /** @var array<string, MemoryModel> by group */
    private array $models = [];

    /** @var list<array<string, mixed>> */
    private array $rows = [];

    public function __construct(private readonly Library $library)
    {
    }

    /** Begins with the checks of a group, from nothing: what an attempt that was broken off has left is no longer there. */
    public function begin(Group $group): void
    {
        $this->events = [];
        $this->touched = [];
        $this->rows = [];
        $this->models = [$group->id => $group->memory()];
    }

    /** Takes a new event in, with the level it brought its learner to. */
    public function add(ReadCheck $read): CheckEvent
    {
        $event = $read->event;
        $key = $event->learner_id.' '.$event->knot;
        $this->ahead([[$event->learner_id, $event->knot]]);
        $this->events[$key][$event->id] = $read->core;
        $standing = $this->derived($event->group_id, $event->knot, $key);
        $this->touched[$key] = [$event->group_id, $event->learner_id, $event->knot, $standing];
        $event = $read->answered($standing?->level);
        $this->rows[] = $event->getAttributes();

        return $event;
    }

    public function write(): void
    {
        foreach (array_chunk($this->rows, self::ROWS) as $rows) {
            CheckEvent::query()->insert($rows);
        }
        $standings = [];
        foreach ($this->touched as [$group, $learner, $knot, $standing]) {
            if ($standing === null) {
                Standing::query()->where('learner_id', $learner)->where('knot', $knot)->delete();
            } else {
                $standings[] = self::row($group, $standing);
            }
        }
        foreach (array_chunk($standings, self::ROWS) as $rows) {
            Standing::query()->upsert($rows, ['learner_id', 'knot']);
        }
        $this->rows = [];
        $this->touched = [];
        $this->events = [];
        $this->models = [];
    }

    /** Derives every row of a group anew. */
    public function rebuild(Group $group): void
    {
        DB::transaction(function () use ($group): void {
            $group->learners()->lockForUpdate()->pluck('id');
            Standing::query()->where('group_id', $group->id)->delete();
            $events = CheckEvent::query()->where('group_id', $group->id)->get()->map(fn (CheckEvent $event): CoreEvent => $event->toCore());
            $rows = array_map(fn (CoreStanding $standing): array => self::row($group->id, $standing), Standings::derive($events, $this->library->hard(), $group->memory()));
            foreach (array_chunk($rows, self::ROWS) as $some) {
                Standing::query()->insert($some);
            }
        });
    }

    private function derived(string $group, string $knot, string $key): ?CoreStanding
    {
        $this->models[$group] ??= Group::query()->findOrFail($group)->memory();

        return Standings::derive($this->events[$key], $this->library->knot($knot)->hard ? [$knot] : [], $this->models[$group])[0] ?? null;
    }

    /**
     * Reads what is there of all these at once.
     *
     * @param  list<array{string, string}>  $pairs  learner and knot
     */
    public function ahead(array $pairs): void
    {
        $asked = [];
        foreach ($pairs as [$learner, $knot]) {
            $asked["$learner $knot"] = [$learner, $knot];
        }
        $asked = array_diff_key($asked, $this->events);
        $this->events += array_map(static fn (): array => [], $asked);
        foreach ($asked === [] ? [] : CheckEvent::coreOf(array_values($asked)) as $event) {
            $this->events["$event->learner $event->knot"][$event->id] = $event;
        }
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
        ];
    }
}
