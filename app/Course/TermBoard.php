<?php

declare(strict_types=1);

namespace App\Course;

use App\Http\Words;
use App\Models\Attendance;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Meeting;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\Term\TermSheet;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The meetings of a term, in order: what was shown and checked at those behind, what is planned for those ahead.
 */
final class TermBoard
{
    /**
     * @param  Collection<int, Meeting>  $meetings
     * @return list<array<string, mixed>>
     */
    public static function of(Group $group, GroupState $state, Collection $meetings, TermSheet $plan): array
    {
        $words = Words::asked();
        $seen = self::seen($group);
        $present = Attendance::query()->whereIn('meeting_id', $meetings->modelKeys())->where('present', true)->selectRaw('meeting_id, count(*) as n')->groupBy('meeting_id')->pluck('n', 'meeting_id');
        $shown = [];
        $term = [];
        foreach ($meetings->values() as $number => $meeting) {
            $blocks = $plan->meetings[$meeting->id] ?? [];
            $counts = $seen[$meeting->id] ?? [];
            $tied = array_keys($counts);
            $planned = fn (string ...$kinds): array => array_values(array_filter(array_map(fn (Block $block): ?string => in_array($block->kind, $kinds, true) ? $block->knot : null, $plan->stations($meeting->id))));
            $introduced = array_values(array_unique([...array_diff($tied, $shown), ...$planned('new')]));
            $revisited = array_values(array_unique(array_diff([...array_intersect($tied, $shown), ...$planned('old', 'again')], $introduced)));
            array_push($shown, ...$introduced);
            $term[] = $meeting->about() + [
                'number' => $number + 1,
                'state' => ! $meeting->isAhead($state->today) ? 'past' : ($meeting->date === $state->today ? 'tonight' : 'ahead'),
                'blocks' => array_map(fn (Block $block): array => $block->toArray($words), $blocks),
                'remembered' => isset($plan->remembered[$meeting->id]) ? $plan->remembered[$meeting->id]->toArray() : null,
                'introduced' => $introduced, 'revisited' => $revisited,
                'present' => (int) ($present[$meeting->id] ?? 0), 'results' => array_sum($counts),
            ];
        }

        return $term;
    }

    /** @return array<string, array<string, int>> results by meeting and knot */
    private static function seen(Group $group): array
    {
        $seen = [];
        $rows = DB::table('check_events')->where('group_id', $group->id)->where('kind', Kind::Result->value)->whereNotNull('meeting_id')
            ->selectRaw('meeting_id, knot, count(*) as n, min(corrected_at) as first_at')->groupBy('meeting_id', 'knot')->orderBy('first_at')->get();
        foreach ($rows as $row) {
            $seen[(string) $row->meeting_id][(string) $row->knot] = (int) $row->n;
        }

        return $seen;
    }
}
