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
    /** @var array<string, array<string, CoreEvent>> events by learner and knot, by id */
    private array $events = [];

    /** @var array<string, array{string, string, string}> group, learner and knot to be written */
    private array $touched = [];

    /** @var array<string, MemoryModel> by group */
    private array $models = [];

    /** @var list<array<string, mixed>> */
    private array $rows = [];

    public function __construct(private readonly Library $library)
    {
    }

    /** Takes a new event in, with the level it brought its learner to. */
    public function add(ReadCheck $read): CheckEvent
    {
        $event = $read->event;
        $key = $event->learner_id.' '.$event->knot;
        $this->load($event->learner_id, $event->knot, $key);
        $this->events[$key][$event->id] = $event->toCore();
        $this->touched[$key] = [$event->group_id, $event->learner_id, $event->knot];
        $standing = $this->derived($event->group_id, $key);
        $event = $read->answered($standing?->level);
        $this->rows[] = $event->getAttributes();

        return $event;
    }

    public function write(): void
    {
        foreach (array_chunk($this->rows, 100) as $rows) {
            CheckEvent::query()->insert($rows);
        }
        foreach ($this->touched as $key => [$group, $learner, $knot]) {
            $this->replace($group, $learner, $knot, $this->derived($group, $key));
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
            foreach (Standings::derive($events, $this->library->hard(), $group->memory()) as $standing) {
                Standing::query()->insert(self::row($group->id, $standing));
            }
        });
    }

    private function derived(string $group, string $key): ?CoreStanding
    {
        $this->models[$group] ??= Group::query()->findOrFail($group)->memory();

        return Standings::derive($this->events[$key], $this->library->hard(), $this->models[$group])[0] ?? null;
    }

    private function load(string $learner, string $knot, string $key): void
    {
        if (isset($this->events[$key])) {
            return;
        }
        $this->events[$key] = [];
        foreach (CheckEvent::query()->where('learner_id', $learner)->where('knot', $knot)->get() as $event) {
            $this->events[$key][$event->id] = $event->toCore();
        }
    }

    private function replace(string $group, string $learner, string $knot, ?CoreStanding $standing): void
    {
        Standing::query()->where('learner_id', $learner)->where('knot', $knot)->delete();
        if ($standing !== null) {
            Standing::query()->insert(self::row($group, $standing));
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
