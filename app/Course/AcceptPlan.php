<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\PlanPlace;
use Carbon\CarbonImmutable;
use Compadre\Core\Teaching\Term\TermSheet;
use Illuminate\Support\Facades\DB;

/**
 * Makes a plan the one that stands: who is taught what, when, is a promise from then on.
 */
final class AcceptPlan
{
    /** @param  array<string, ?string>  $pins  knots put where they are by a leader: meeting by knot, null to leave out */
    public function __invoke(Group $group, TermSheet $plan, array $pins = []): void
    {
        $real = $group->meetings()->pluck('id')->flip();
        DB::transaction(function () use ($group, $plan, $pins, $real): void {
            foreach ($pins as $knot => $meeting) {
                if ($meeting === null || isset($real[$meeting])) {
                    self::pin($group, (string) $knot, $meeting);
                }
            }
            KeptParts::put($group, array_intersect_key($plan->parts, $real->all()));
        });
    }

    public static function pin(Group $group, string $knot, ?string $meeting): void
    {
        $now = CarbonImmutable::now();
        PlanPlace::query()->upsert([['group_id' => $group->id, 'knot' => $knot, 'meeting_id' => $meeting, 'created_at' => $now, 'updated_at' => $now]], ['group_id', 'knot'], ['meeting_id', 'updated_at']);
    }

    /** A knot a leader put somewhere goes where the plan would have it. */
    public function unpin(Group $group, string $knot): void
    {
        DB::transaction(function () use ($group, $knot): void {
            $group->places()->where('knot', $knot)->delete();
            KeptParts::leave($group, $knot);
        });
    }
}
