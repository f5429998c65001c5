<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Teaching\Ban;
use Compadre\Core\Teaching\Pace;
use Compadre\Core\Teaching\PassRates;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What a plan goes by beside learners, badges and meetings: how this group's lessons run, how often a first try passes, what is kept out.
 */
final class GroupWishes
{
    /** @param  Collection<int, Meeting>  $meetings */
    public static function pace(Collection $meetings): Pace
    {
        $runs = [];
        foreach ($meetings->load('blocks')->flatMap(fn (Meeting $meeting): Collection => $meeting->blocks) as $run) {
            $taken = $run->state === 'done' ? $run->minutesTaken(CarbonImmutable::now()) : 0.0;
            if ($taken > 0 && $run->byRule() > 0) {
                $runs[] = ['kind' => $run->kind, 'planned' => $run->byRule(), 'taken' => $taken, 'knot' => $run->knot];
            }
        }

        return Pace::from($runs);
    }

    /**
     * Of each learner's first check of each knot.
     *
     * @param  ?string  $before  only what was checked before this day
     */
    public static function passRates(Group $group, ?string $before = null): PassRates
    {
        $first = DB::table('check_events')->where('group_id', $group->id)->where('kind', Kind::Result->value)->whereNotExists(CheckEvent::takenBack(...))
            ->selectRaw('knot, verdict, row_number() over (partition by learner_id, knot order by corrected_at, id) as nth');
        if ($before !== null) {
            $first->where('day', '<', $before);
        }
        $counts = [];
        foreach (DB::query()->fromSub($first, 'first')->where('nth', 1)->selectRaw('knot, count(*) as tries, sum(verdict = ?) as passes', [Verdict::HasIt->value])->groupBy('knot')->orderBy('knot')->get() as $row) {
            $counts[(string) $row->knot] = [(int) $row->tries, (int) $row->passes];
        }

        return PassRates::from($counts);
    }

    /**
     * @param  Collection<int, Meeting>  $meetings
     * @return list<Ban>
     */
    public static function bans(Collection $meetings): array
    {
        $bans = [];
        foreach ($meetings as $meeting) {
            foreach ($meeting->bans ?? [] as $what) {
                $bans[] = new Ban($what, $meeting->id);
            }
        }

        return $bans;
    }
}
