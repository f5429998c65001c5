<?php

declare(strict_types=1);

namespace App\Host;

use App\Models\Group;
use App\Work\StartWork;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;

/**
 * What whoever hosts a house may do with a group: say how many it may have, close it and open it again, and remove one that is closed.
 */
final readonly class KeepGroups
{
    public function __construct(private StartWork $start)
    {
    }

    public function change(Group $group, Fields $asked): void
    {
        DB::transaction(function () use ($group, $asked): void {
            $now = $this->locked($group);
            $now->update([
                'learners_most' => $asked->has('learners_most') ? $asked->wholeOrNull('learners_most') : $now->learners_most,
                'people_most' => $asked->has('people_most') ? $asked->wholeOrNull('people_most') : $now->people_most,
                'closed_at' => $asked->flag('closed', $now->closed_at !== null) ? $now->closed_at ?? CarbonImmutable::now() : null,
            ]);
        });
        Log::notice("A group was changed by its host: $group->id, ".implode(', ', array_keys($asked->raw())).'.');
    }

    /**
     * From here on it is gone for everybody; its rows go one after another, by the worker.
     *
     * @throws Refusal where it is open, or its name is not said
     */
    public function remove(Group $group, Fields $asked): void
    {
        DB::transaction(function () use ($group, $asked): void {
            $now = $this->locked($group);
            if ($now->closed_at === null) {
                throw Refusal::of('/closed', false, 'host.open', ['group' => $now->name]);
            }
            if (trim($asked->text('name')) !== $now->name) {
                throw Refusal::of('/name', $asked->text('name'), 'host.name', ['group' => $now->name]);
            }
            $now->update(['removing_at' => CarbonImmutable::now()]);
            ($this->start)($now, RemoveGroup::class);
        });
        Log::notice("A group is being removed by its host: $group->id.");
    }

    /** @throws Refusal where it is being removed already */
    private function locked(Group $group): Group
    {
        $now = Group::query()->lockForUpdate()->findOrFail($group->id);
        if ($now->removing_at !== null) {
            throw Refusal::of('/group', $now->name, 'host.going', ['group' => $now->name]);
        }

        return $now;
    }
}
