<?php

declare(strict_types=1);

namespace App\Crew;

use App\Models\Group;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Patrols;
use Illuminate\Support\Facades\DB;

/**
 * Puts some learners into a patrol, or out of any. A patrol is there for as long as somebody is in it: all of it under another name
 * is that patrol, renamed.
 */
final readonly class KeepPatrol
{
    /** @throws Refusal for whoever is no learner of the group; then nobody is put anywhere */
    public function __invoke(Group $group, Fields $asked): void
    {
        $ids = array_map(strtolower(...), $asked->texts('learners'));
        $all = $group->learners()->pluck('patrol', 'id');
        foreach ($ids as $place => $id) {
            if (! $all->has($id)) {
                throw Refusal::of("/learners/$place", $id, 'crew.learner');
            }
        }
        $patrol = Patrols::meant($asked->textOrNull('patrol'), $all->except($ids)->all());
        DB::transaction(function () use ($group, $ids, $all, $patrol): void {
            $group->learners()->whereIn('id', $ids)->update(['patrol' => $patrol]);
            // A patrol that is gone has gone up in this one: whoever goes with it still does.
            $gone = array_diff($all->only($ids)->filter()->all(), $all->except($ids)->all());
            $group->memberships()->whereIn('patrol', array_values($gone))->update(['patrol' => $patrol]);
        });
    }
}
