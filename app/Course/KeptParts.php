<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use Compadre\Core\Teaching\Term\PartKind;
use Compadre\Core\Teaching\Term\PlanPart;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * The accepted plan in rows.
 */
final class KeptParts
{
    /** @return array<string, list<PlanPart>> by meeting */
    public static function of(Group $group): array
    {
        $people = [];
        foreach (DB::table('plan_people')->where('group_id', $group->id)->orderBy('learner_id')->get() as $one) {
            $people[(string) $one->plan_part_id][(int) $one->helps][] = (string) $one->learner_id;
        }
        $parts = [];
        foreach (DB::table('plan_parts')->where('group_id', $group->id)->orderBy('meeting_id')->orderBy('position')->get() as $part) {
            $at = $people[(string) $part->id] ?? [];
            $parts[(string) $part->meeting_id][] = new PlanPart(PartKind::from((string) $part->kind), (string) $part->what, $at[0] ?? [], $at[1] ?? [], (int) $part->round, (int) $part->checkers);
        }

        return $parts;
    }

    /** Takes a knot's lessons to come out of it: nobody is promised them any more. */
    public static function leave(Group $group, string $knot): void
    {
        self::remove($group, DB::table('plan_parts')->where('group_id', $group->id)->where('kind', PartKind::Lesson->value)->where('what', $knot)
            ->whereIn('meeting_id', $group->term()->where('date', '>=', $group->today())->select('id')));
    }

    /** @param  Builder  $parts  some of the group's */
    private static function remove(Group $group, Builder $parts): void
    {
        $ids = $parts->pluck('id')->all();
        DB::table('plan_people')->where('group_id', $group->id)->whereIn('plan_part_id', $ids)->delete();
        DB::table('plan_parts')->where('group_id', $group->id)->whereIn('id', $ids)->delete();
    }

    /**
     * Puts a plan for meetings to come in place of what stood for them.
     *
     * @param  array<string, list<PlanPart>>  $parts  by meeting, each one of the group's
     */
    public static function put(Group $group, array $parts): void
    {
        $rows = $people = [];
        foreach ($parts as $meeting => $each) {
            foreach ($each as $position => $part) {
                $id = (string) Str::uuid7();
                $rows[] = ['id' => $id, 'group_id' => $group->id, 'meeting_id' => $meeting, 'position' => $position, 'kind' => $part->kind->value, 'what' => $part->what, 'round' => $part->round, 'checkers' => $part->checkers];
                foreach ([0 => $part->learners, 1 => $part->helpers] as $helps => $learners) {
                    foreach ($learners as $learner) {
                        $people[] = ['plan_part_id' => $id, 'learner_id' => $learner, 'group_id' => $group->id, 'helps' => $helps];
                    }
                }
            }
        }
        DB::transaction(function () use ($group, $parts, $rows, $people): void {
            self::remove($group, DB::table('plan_parts')->where('group_id', $group->id)->whereIn('meeting_id', array_map(strval(...), array_keys($parts))));
            foreach (['plan_parts' => $rows, 'plan_people' => $people] as $table => $all) {
                foreach (array_chunk($all, 500) as $some) {
                    DB::table($table)->insert($some);
                }
            }
        });
    }
}
