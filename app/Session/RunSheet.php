<?php

declare(strict_types=1);

namespace App\Session;

use App\Awards\Credit;
use App\Awards\DueList;
use App\Bench\RigOnSheet;
use App\Course\PlanProposal;
use App\Course\Plans;
use App\Course\TermBoard;
use App\Http\Words;
use App\Knots\KnotNames;
use App\Models\Award;
use App\Models\BlockRun;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Membership;
use App\Models\Stamped;
use Carbon\CarbonImmutable;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Words\Written;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * One meeting: who is here, what is planned, and where its clock stands.
 */
final readonly class RunSheet
{
    public function __construct(private Plans $plans, private KnotNames $names, private RigOnSheet $rigs, private DueList $due)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, Meeting $meeting): array
    {
        $state = GroupState::of($group);
        $meetings = $group->term()->get();
        $plans = $this->plans->with($state, $group, $meetings);
        // One that was called off is no part of the course, and stands where it would have been.
        $shown = $meeting->cancelled_at === null ? $meetings : $group->meetings()->get()->filter(fn (Meeting $one): bool => $one->cancelled_at === null || $one->id === $meeting->id)->values();
        $term = TermBoard::of($group, $state, $shown, $plans->kept());
        $sheet = $term[(int) $shown->search(fn (Meeting $one): bool => $one->id === $meeting->id)];
        $clock = self::clock($meeting);
        $here = $meeting->attendances()->pluck('present', 'learner_id')->all();

        return [
            'meeting' => $sheet,
            'roll' => $state->learners->map(fn (Learner $learner): array => $learner->about() + ['present' => isset($here[$learner->id]) ? (bool) $here[$learner->id] : null])->values()->all(),
            'knots' => (object) $this->names->all(),
            'rigs' => (object) $this->rigs->of($group, $meeting, self::rigsIn($plans->kept()->stations($meeting->id), $clock)),
            'used' => self::used($state, $meeting), 'leads' => (object) LeadStation::of($meeting), 'helpers' => Membership::withPatrols($group, array_values(array_unique($state->learners->pluck('patrol')->filter()->all()))),
            'clock' => $clock, 'badges' => $meeting->isAhead($state->today) && $meeting->date === $state->today ? $this->badges($group, $state, $meeting) : null,
            'expected' => $meeting->ended_at === null ? null : Expected::of($group, $meeting),
            'proposal' => $meeting->ended_at === null ? null : PlanProposal::of($state, $plans, $meetings),
        ];
    }

    /** @return array<string, mixed> those to hand over at this meeting, those that are ready, and whose one thing more would make ready */
    private function badges(Group $group, GroupState $state, Meeting $meeting): array
    {
        $awards = $group->awards()->select(Award::SHOWN)->with('learner')->where('meeting_id', $meeting->id)->whereNull('taken_back_on')->orderBy('name')->orderBy('id')->get();

        return $this->due->of(new Credit($group), $state) + ['to_hand' => array_values($awards->map(static fn (Award $award): array => ['id' => $award->id, 'learner' => DueList::learner($award->learner), 'name' => $award->name, 'handed_on' => $award->handed_on])->all())];
    }

    /**
     * @param  list<Block>  $planned
     * @param  array<string, mixed>  $clock
     * @return list<string>
     */
    private static function rigsIn(array $planned, array $clock): array
    {
        $ids = [...array_column($planned, 'rig'), ...array_column(is_array($clock['blocks']) ? $clock['blocks'] : [], 'rig')];

        return array_values(array_unique(array_filter($ids, is_string(...))));
    }

    /** @return list<array{id: string, learner: string, rig: string, knot: string}> knots tied in a rig at this meeting */
    private static function used(GroupState $state, Meeting $meeting): array
    {
        return array_values($state->learners->flatMap(fn (Learner $learner): Collection => $learner->uses)->where('meeting_id', $meeting->id)
            ->map(fn (CheckEvent $use): array => ['id' => $use->id, 'learner' => $use->learner_id, 'rig' => (string) $use->rig, 'knot' => $use->knot])->all());
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
            'meeting_rigs' => 'meeting_id, rig, version',
            'rig_gates' => 'meeting_id, rig',
            'plan_places' => "knot, coalesce(concat(meeting_id), '')",
            'plan_parts' => 'id',
            'awards' => "learner_id, badge, coalesce(concat(meeting_id), ''), coalesce(handed_on, ''), coalesce(taken_back_on, '')",
            'station_leads' => 'meeting_id, knot, user_id',
            'memberships' => "user_id, coalesce(patrol, ''), coalesce(until, '')",
            'learners' => "id, name, age_band, coalesce(hand, ''), coalesce(patrol, ''), coalesce(archived_at, '')",
        ];
        $parts = [];
        foreach ($seen as $table => $columns) {
            $parts[] = '(select '.Stamped::rows($columns)." from `$table` where group_id = ?)";
        }

        return hash('xxh32', (string) DB::scalar('select concat_ws(\'|\', '.implode(', ', $parts).')', array_fill(0, count($seen), $group->id)));
    }

    /** @return array<string, mixed> */
    private static function clock(Meeting $meeting): array
    {
        $why = static fn (mixed $written): string => Words::asked()->say(Written::read($written));

        return [
            'now' => CarbonImmutable::now()->toIso8601ZuluString(),
            'started_at' => $meeting->started_at?->toIso8601ZuluString(), 'ended_at' => $meeting->ended_at?->toIso8601ZuluString(),
            'blocks' => $meeting->blocks()->get()->map(fn (BlockRun $run): array => [
                'id' => $run->id, 'place' => $run->position, 'kind' => $run->kind, 'knot' => $run->knot, 'planned' => $run->planned,
                'state' => $run->state, 'why' => $why($run->stations['why'] ?? ''), 'rig' => $run->stations['rig'] ?? null,
                'beside' => array_map(static fn (array $one): array => ['why' => $why($one['why'] ?? '')] + $one, $run->besides()), 'learners' => $run->stations['learners'] ?? [], 'helpers' => $run->stations['helpers'] ?? [], 'checkers' => $run->stations['checkers'] ?? 0,
                'started_at' => $run->started_at?->toIso8601ZuluString(), 'ended_at' => $run->ended_at?->toIso8601ZuluString(),
            ])->values()->all(),
        ];
    }
}
