<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Attendance;
use App\Models\BlockRun;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use Carbon\CarbonImmutable;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\CoursePlan;
use Compadre\Core\Teaching\Plan\Consequence;
use Compadre\Core\Teaching\UnmetNeed;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The term: what happened at the meetings behind, and what the core plans for those ahead.
 */
final readonly class CourseView
{
    public function __construct(private Library $library)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $state = GroupState::of($group);
        $meetings = $group->term()->get();
        $plans = TermPlan::of($state, $group, $meetings, $this->library);
        $plan = $plans->kept();
        $term = $this->term($group, $state, $meetings, $plan);

        return [
            'meetings' => $term,
            'unmet' => array_map(fn (UnmetNeed $need): array => self::unmet($state, $need), $plan->unmet),
            'badges' => array_map(fn (string $key): array => $this->badge($state, $key, $term), array_map(strval(...), array_keys($state->badges))),
            'knots' => $this->names(),
            'places' => (object) $plan->shownIn, 'pinned' => array_map(strval(...), array_keys(array_filter($plans->pinned()))),
            'proposal' => $this->proposal($state, $plans, $meetings), 'proven' => $plan->proven,
            'bound' => $plan->bound->unmet, 'pace' => array_map($plans->pace()->about(...), $plans->pace()->kinds()),
        ];
    }

    /**
     * What a change of plan would come to.
     *
     * @return array<string, mixed>
     */
    public function whatIf(Group $group, PlanChange $change): array
    {
        $state = GroupState::of($group);
        $meetings = $group->term()->get();
        $plans = TermPlan::of($state, $group, $meetings, $this->library);

        return $this->consequence($state, $plans->kept(), $plans->with($change), $meetings);
    }

    public function plans(Group $group): TermPlan
    {
        return TermPlan::of(GroupState::of($group), $group, $group->term()->get(), $this->library);
    }

    /** @return array<string, mixed> */
    public function runSheet(Group $group, Meeting $meeting): array
    {
        $state = GroupState::of($group);
        $meetings = $group->meetings()->get();
        $plans = TermPlan::of($state, $group, $meetings, $this->library);
        $term = $this->term($group, $state, $meetings, $plans->kept());
        $here = $meeting->attendances()->pluck('present', 'learner_id')->all();
        $runs = $meeting->blocks()->get();

        return [
            'meeting' => $term[(int) $meetings->search(fn (Meeting $one): bool => $one->id === $meeting->id)],
            'roll' => $state->learners->map(fn (Learner $learner): array => LearnerPage::about($learner) + ['present' => isset($here[$learner->id]) ? (bool) $here[$learner->id] : null])->values()->all(),
            'knots' => $this->names(),
            'clock' => [
                'now' => CarbonImmutable::now()->toIso8601ZuluString(), 'started_at' => $meeting->started_at?->toIso8601ZuluString(), 'ended_at' => $meeting->ended_at?->toIso8601ZuluString(),
                'blocks' => $runs->map(fn (BlockRun $run): array => [
                    'id' => $run->id, 'place' => $run->position, 'kind' => $run->kind, 'knot' => $run->knot, 'planned' => $run->planned, 'state' => $run->state, 'why' => is_string($run->stations['why'] ?? null) ? $run->stations['why'] : '',
                    'beside' => $run->stations['beside'] ?? [], 'learners' => $run->stations['learners'] ?? [], 'started_at' => $run->started_at?->toIso8601ZuluString(), 'ended_at' => $run->ended_at?->toIso8601ZuluString(),
                ])->values()->all(),
            ],
            'proposal' => $meeting->ended_at === null ? null : $this->proposal($state, $plans, $meetings),
        ];
    }

    /**
     * A plan laid out anew, where it is better than the one that stands.
     *
     * @param  Collection<int, Meeting>  $meetings
     * @return ?array<string, mixed>
     */
    private function proposal(GroupState $state, TermPlan $plans, Collection $meetings): ?array
    {
        $kept = $plans->kept();
        $anew = $plans->anew();

        return [$anew->objective->unmet, $anew->objective->completion] < [$kept->objective->unmet, $kept->objective->completion] ? $this->consequence($state, $kept, $anew, $meetings) : null;
    }

    /**
     * @param  Collection<int, Meeting>  $meetings
     * @return array<string, mixed>
     */
    private function consequence(GroupState $state, CoursePlan $before, CoursePlan $after, Collection $meetings): array
    {
        $found = Consequence::of($before, $after, array_flip($meetings->modelKeys()));

        return ['lost' => array_map(fn (UnmetNeed $need): array => self::unmet($state, $need), $found['lost'])] + $found;
    }

    /** @return array<string, mixed> */
    private static function unmet(GroupState $state, UnmetNeed $need): array
    {
        $names = $state->learners->pluck('name', 'id');

        return ['learners' => array_map(fn (string $id): string => (string) $names[$id], $need->learners)] + $need->toArray();
    }

    /** @return array<string, mixed> */
    public static function about(Meeting $meeting): array
    {
        return ['id' => $meeting->id, 'date' => $meeting->date, 'starts_at' => $meeting->starts_at, 'minutes' => $meeting->minutes, 'checkers' => $meeting->checkers, 'place' => $meeting->place, 'objects' => $meeting->objects, 'bans' => $meeting->bans ?? []];
    }

    /**
     * @param  Collection<int, Meeting>  $meetings
     * @return list<array<string, mixed>>
     */
    private function term(Group $group, GroupState $state, Collection $meetings, CoursePlan $plan): array
    {
        $seen = $this->seen($group);
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
            $term[] = self::about($meeting) + [
                'number' => $number + 1,
                'state' => $meeting->date < $state->today || $meeting->ended_at !== null ? 'past' : ($meeting->date === $state->today ? 'tonight' : 'ahead'),
                'blocks' => array_map(fn (Block $block): array => $block->toArray(), $blocks),
                'introduced' => $introduced, 'revisited' => $revisited,
                'present' => (int) ($present[$meeting->id] ?? 0), 'results' => array_sum($counts),
            ];
        }

        return $term;
    }

    /** @return array<string, array<string, int>> results by meeting and knot */
    private function seen(Group $group): array
    {
        $seen = [];
        $rows = DB::table('check_events')->where('group_id', $group->id)->where('kind', Kind::Result->value)->whereNotNull('meeting_id')
            ->selectRaw('meeting_id, knot, count(*) as n, min(corrected_at) as first_at')->groupBy('meeting_id', 'knot')->orderBy('first_at')->get();
        foreach ($rows as $row) {
            $seen[(string) $row->meeting_id][(string) $row->knot] = (int) $row->n;
        }

        return $seen;
    }

    /**
     * @param  list<array<string, mixed>>  $term
     * @return array<string, mixed>
     */
    private function badge(GroupState $state, string $key, array $term): array
    {
        $badge = $state->badges[$key];
        $pursuing = $state->learners->filter(fn (Learner $learner): bool => in_array($badge, $state->badgesOf($learner), true));
        $progress = $pursuing->map(fn (Learner $learner): array => GroupState::progress($badge, $learner));
        $knots = [];
        foreach ($badge->requirement->choices() as [$leaf, $choice]) {
            $first = null;
            foreach ($term as $meeting) {
                $first ??= is_array($meeting['introduced']) && in_array($leaf->knot, $meeting['introduced'], true) ? $meeting['number'] : null;
            }
            $knots[] = [
                'knot' => $leaf->knot, 'choice' => $choice, 'needed' => $pursuing->count(), 'meeting' => $first,
                'met' => $pursuing->filter(fn (Learner $learner): bool => $leaf->metBy(GroupState::levels($learner)[$leaf->knot] ?? null, GroupState::ticked($learner)))->count(),
            ];
        }

        return [
            'id' => (string) $key, 'name' => str_contains((string) $key, '@') ? "{$badge->name} ({$badge->version})" : $badge->name, 'due_on' => $state->dates[$key], 'learners' => $pursuing->count(),
            'complete' => $progress->where('complete', true)->count(), 'met' => (int) $progress->sum('met'), 'needed' => (int) $progress->sum('needed'), 'knots' => $knots,
        ];
    }

    private function names(): object
    {
        return (object) app(KnotNames::class)->all();
    }
}
