<?php

declare(strict_types=1);

namespace App\Session;

use App\Course\PlanProposal;
use App\Course\Plans;
use App\Course\TermBoard;
use App\Knots\KnotNames;
use App\Models\BlockRun;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Stamped;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * One meeting: who is here, what is planned, and where its clock stands.
 */
final readonly class RunSheet
{
    public function __construct(private Plans $plans, private KnotNames $names)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, Meeting $meeting): array
    {
        $state = GroupState::of($group);
        $meetings = $group->meetings()->get();
        $plans = $this->plans->with($state, $group, $meetings);
        $term = TermBoard::of($group, $state, $meetings, $plans->kept());
        $here = $meeting->attendances()->pluck('present', 'learner_id')->all();

        return [
            'meeting' => $term[(int) $meetings->search(fn (Meeting $one): bool => $one->id === $meeting->id)],
            'roll' => $state->learners->map(fn (Learner $learner): array => $learner->about() + ['present' => isset($here[$learner->id]) ? (bool) $here[$learner->id] : null])->values()->all(),
            'knots' => (object) $this->names->all(),
            'clock' => self::clock($meeting),
            'proposal' => $meeting->ended_at === null ? null : PlanProposal::of($state, $plans, $meetings),
        ];
    }

    /**
     * Where it stands now, for those who look on: asked every few seconds, so nothing is laid out for it.
     *
     * @return array<string, mixed>
     */
    public static function now(Group $group, Meeting $meeting): array
    {
        return [
            'clock' => self::clock($meeting),
            'present' => (object) array_map(boolval(...), $meeting->attendances()->pluck('present', 'learner_id')->all()),
            'sheet' => self::stamp($group),
        ];
    }

    /** Another once what a run sheet shows may be another: its meeting, the plan, or who belongs to the group. */
    private static function stamp(Group $group): string
    {
        $seen = [
            'meetings' => "id, date, starts_at, minutes, checkers, coalesce(place, ''), coalesce(objects, ''), coalesce(bans, ''), coalesce(started_at, ''), coalesce(ended_at, ''), coalesce(cancelled_at, '')",
            'plan_places' => "knot, coalesce(concat(meeting_id), ''), pinned",
            'learners' => "id, name, age_band, coalesce(hand, ''), coalesce(archived_at, '')",
        ];
        $parts = [];
        foreach ($seen as $table => $columns) {
            $parts[] = '(select '.Stamped::rows($columns)." from `$table` where group_id = ?)";
        }

        return hash('xxh32', (string) DB::scalar('select concat_ws(\'|\', '.implode(', ', $parts).')', array_fill(0, 3, $group->id)));
    }

    /** @return array<string, mixed> */
    private static function clock(Meeting $meeting): array
    {
        return [
            'now' => CarbonImmutable::now()->toIso8601ZuluString(),
            'started_at' => $meeting->started_at?->toIso8601ZuluString(), 'ended_at' => $meeting->ended_at?->toIso8601ZuluString(),
            'blocks' => $meeting->blocks()->get()->map(fn (BlockRun $run): array => [
                'id' => $run->id, 'place' => $run->position, 'kind' => $run->kind, 'knot' => $run->knot, 'planned' => $run->planned,
                'state' => $run->state, 'why' => is_string($run->stations['why'] ?? null) ? $run->stations['why'] : '',
                'beside' => $run->stations['beside'] ?? [], 'learners' => $run->stations['learners'] ?? [],
                'started_at' => $run->started_at?->toIso8601ZuluString(), 'ended_at' => $run->ended_at?->toIso8601ZuluString(),
            ])->values()->all(),
        ];
    }
}
