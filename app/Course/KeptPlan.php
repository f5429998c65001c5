<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use Closure;
use Compadre\Core\Teaching\Plan\CoursePlan;
use Illuminate\Support\Facades\Cache;

/**
 * A group's plan as it was last laid out, kept with a stamp of all it was laid out from: the planner runs when something has
 * changed, not at each look. It names learners by their ids alone.
 */
final class KeptPlan
{
    private const KINDS = ['kept', 'anew'];

    private const SECONDS = 30 * 86400;

    /**
     * @param  'kept'|'anew'  $kind
     * @param  array<mixed>  $from  all that the planner is given
     * @param  Closure(): CoursePlan  $lay
     */
    public static function of(Group $group, string $kind, array $from, Closure $lay): CoursePlan
    {
        $stamp = hash('xxh128', serialize($from)).' '.config()->string('app.planner');
        $kept = Cache::store('file')->get(self::key($group, $kind));
        if (is_array($kept) && ($kept[0] ?? null) === $stamp && ($kept[1] ?? null) instanceof CoursePlan) {
            return $kept[1];
        }
        $plan = $lay();
        Cache::store('file')->put(self::key($group, $kind), [$stamp, $plan], self::SECONDS);

        return $plan;
    }

    /** Nothing of it stays: a learner was erased. */
    public static function forget(Group $group): void
    {
        foreach (self::KINDS as $kind) {
            Cache::store('file')->forget(self::key($group, $kind));
        }
    }

    private static function key(Group $group, string $kind): string
    {
        return "plan-$kind-$group->id";
    }
}
