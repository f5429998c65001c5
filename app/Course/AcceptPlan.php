<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\PlanPlace;
use Carbon\CarbonImmutable;
use Compadre\Core\Teaching\Plan\CoursePlan;
use Illuminate\Support\Facades\DB;

/**
 * Makes a plan the group's: every knot still to be taught stays in its meeting until a leader moves it or accepts another.
 */
final class AcceptPlan
{
    /** @param  array<string, ?string>  $pins  knots put where they are by a leader: meeting by knot, null to leave out */
    public function __invoke(Group $group, CoursePlan $plan, array $pins = []): void
    {
        $real = $group->meetings()->pluck('id')->flip();
        $now = CarbonImmutable::now();
        DB::transaction(function () use ($group, $plan, $pins, $real, $now): void {
            $pinned = $group->places()->where('pinned', true)->pluck('knot')->flip();
            $rows = [];
            foreach ($pins + $plan->shownIn as $knot => $meeting) {
                if ($meeting !== null && ! isset($real[$meeting])) {
                    continue;
                }
                $isPinned = array_key_exists($knot, $pins) || isset($pinned[$knot]);
                if ($meeting !== null || $isPinned) {
                    $rows[] = ['group_id' => $group->id, 'knot' => $knot, 'meeting_id' => $meeting, 'pinned' => $isPinned, 'created_at' => $now, 'updated_at' => $now];
                }
            }
            $group->places()->delete();
            PlanPlace::query()->insert($rows);
        });
    }

    /** A knot a leader put somewhere goes where the plan would have it. */
    public function unpin(Group $group, string $knot): void
    {
        $group->places()->where('knot', $knot)->delete();
    }
}
