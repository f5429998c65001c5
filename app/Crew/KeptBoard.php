<?php

declare(strict_types=1);

namespace App\Crew;

use App\Knots\KnotNames;
use App\Models\Group;
use App\Models\Stamped;
use Illuminate\Support\Facades\DB;

/**
 * The crew board as it was last made, for as long as nothing it is made of has changed. What it is made of is asked of the database
 * in one query, row by row, so that no change anywhere has to think of it.
 */
final readonly class KeptBoard
{
    public function __construct(private CrewBoard $board, private KnotNames $names)
    {
    }

    /** @return string the board in JSON */
    public function of(Group $group): string
    {
        return Stamped::of(self::key($group), $this->stamp($group), 86400, fn (): string => json_encode(
            $this->board->of($group), JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
        ));
    }

    /** Nothing of it stays: a learner was erased. */
    public static function forget(Group $group): void
    {
        Stamped::forget(self::key($group));
    }

    private static function key(Group $group): string
    {
        return "board-$group->id";
    }

    private function stamp(Group $group): string
    {
        $sum = Stamped::rows(...);
        $parts = [
            "select {$sum('learner_id, knot, coalesce(level, \'\'), verdict, tying, dressing, tail, prompts, day, two_leaders, coalesce(half_life_days, \'\'), coalesce(last_day, \'\')')} from standings where group_id = ?",
            "select {$sum('id, name, age_band, coalesce(patrol, \'\'), coalesce(archived_at, \'\')')} from learners where group_id = ?",
            "select {$sum('p.learner_id, p.badge, p.version')} from pursuits p join learners l on l.id = p.learner_id where l.group_id = ?",
            "select {$sum('t.learner_id, t.note')} from badge_ticks t join learners l on l.id = t.learner_id where l.group_id = ?",
            "select {$sum('learner_id, badge, coalesce(taken_back_on, \'\')')} from awards where group_id = ?",
            "select {$sum('badge, coalesce(due_on, \'\')')} from group_badges where group_id = ?",
            "select {$sum('id, updated_at')} from badge_packs where group_id = ?",
        ];
        $row = DB::selectOne('select '.implode(', ', array_map(static fn (string $part, int $number): string => "($part) as p$number", $parts, array_keys($parts))), array_fill(0, count($parts), $group->id));

        return implode('|', (array) $row).'|'.$group->today().'|'.$this->names->stamp().'|'.implode(',', array_map(filemtime(...), glob(config()->string('app.packs').'/badges/*.json') ?: []));
    }
}
