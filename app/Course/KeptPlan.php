<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use App\Models\Stamped;
use Closure;
use Compadre\Core\Teaching\Term\TermSheet;

/**
 * A group's plan as it was last laid out, kept with a stamp of all it was laid out from: the planner runs when something has
 * changed, not at each look. It names learners by their ids alone.
 */
final class KeptPlan
{
    private const KINDS = ['kept', 'anew', 'soon', 'keep'];

    private const SECONDS = 30 * 86400;

    /**
     * @param  'kept'|'anew'|'soon'|'keep'  $kind
     * @param  array<mixed>  $from  all that the planner is given
     * @param  Closure(): TermSheet  $lay
     */
    public static function of(Group $group, string $kind, array $from, Closure $lay): TermSheet
    {
        $stamp = hash('xxh128', serialize($from)).' '.config()->string('app.planner');

        return Stamped::of(self::key($group, $kind), $stamp, self::SECONDS, $lay);
    }

    /** Nothing of it stays: a learner was erased. */
    public static function forget(Group $group): void
    {
        Stamped::forget(...array_map(static fn (string $kind): string => self::key($group, $kind), self::KINDS));
    }

    private static function key(Group $group, string $kind): string
    {
        return "plan-$kind-$group->id";
    }
}
