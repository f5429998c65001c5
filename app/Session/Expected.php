<?php

declare(strict_types=1);

namespace App\Session;

use App\Course\GroupWishes;
use App\Models\BlockRun;
use App\Models\Group;
use App\Models\Meeting;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Teaching\Rounds\Wishes;
use Illuminate\Support\Facades\DB;

/**
 * What the plan expected of an evening that is over, and what came of it, knot by knot.
 */
final class Expected
{
    /** @return list<array{knot: string, kind: string, learners: int, expected: int, tried: int, passed: int}> in the order of the evening */
    public static function of(Group $group, Meeting $meeting): array
    {
        $rates = GroupWishes::passRates($group, $meeting->date)->byKnot();
        $came = self::came($meeting);
        $rows = [];
        foreach (self::planned($meeting) as $knot => [$kind, $learners]) {
            // What is looked at again was had once: it is expected to be had still.
            $rate = $kind === 'old' ? 1.0 : $rates[$knot] ?? Wishes::PASS_RATE;
            [$tried, $passed] = $came[$knot] ?? [0, 0];
            $rows[] = ['knot' => (string) $knot, 'kind' => $kind, 'learners' => count($learners), 'expected' => (int) round($rate * count($learners)), 'tried' => $tried, 'passed' => $passed];
        }

        return $rows;
    }

    /** @return array<string, array{string, array<string, true>}> by knot: the kind of its first block, and who was planned into any */
    private static function planned(Meeting $meeting): array
    {
        $planned = [];
        foreach ($meeting->blocks()->get() as $run) {
            foreach (self::stations($run) as [$kind, $knot, $learners]) {
                $planned[$knot] ??= [$kind, []];
                $planned[$knot][1] += array_fill_keys($learners, true);
            }
        }

        return $planned;
    }

    /** @return list<array{string, string, list<string>}> kind, knot and learners of each station of a block */
    private static function stations(BlockRun $run): array
    {
        $stations = [];
        foreach ($run->each() as $station) {
            $knot = $station['knot'] ?? null;
            if (is_string($knot)) {
                $learners = is_array($station['learners'] ?? null) ? $station['learners'] : [];
                $stations[] = [is_string($station['kind'] ?? null) ? $station['kind'] : $run->kind, $knot, array_values(array_filter($learners, is_string(...)))];
            }
        }

        return $stations;
    }

    /** @return array<string, array{int, int}> by knot: learners checked at the meeting, and those of them who passed */
    private static function came(Meeting $meeting): array
    {
        $came = [];
        $rows = DB::table('check_events')->where('meeting_id', $meeting->id)->where('kind', Kind::Result->value)
            ->selectRaw('knot, count(distinct learner_id) as tried, count(distinct case when verdict = ? then learner_id end) as passed', [Verdict::HasIt->value])->groupBy('knot')->get();
        foreach ($rows as $row) {
            $came[(string) $row->knot] = [(int) $row->tried, (int) $row->passed];
        }

        return $came;
    }
}
