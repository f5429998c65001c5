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
    private const KINDS = ['kept', 'anew', 'soon', 'keep', 'better'];

    private const SECONDS = 30 * 86400;

    /**
     * @param  'kept'|'anew'|'soon'|'keep'|'better'  $kind
     * @param  array<mixed>  $from  all that the planner is given
     * @param  Closure(): TermSheet  $lay
     */
    public static function of(Group $group, string $kind, array $from, Closure $lay): TermSheet
    {
        return Stamped::of(self::key($group, $kind), self::stamp($from), self::SECONDS, $lay);
    }

    /**
     * What there is of that kind, if nothing that it was laid out from has changed.
     *
     * @param  'better'  $kind
     * @param  array<mixed>  $from
     */
    public static function there(Group $group, string $kind, array $from): ?TermSheet
    {
        $kept = Stamped::there(self::key($group, $kind), self::stamp($from));

        return $kept instanceof TermSheet ? $kept : null;
    }

    /** @param  array<mixed>  $from */
    private static function stamp(array $from): string
    {
        return hash('xxh128', serialize($from)).' '.config()->string('app.planner');
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
