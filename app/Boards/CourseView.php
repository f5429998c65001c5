<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Attendance;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use Compadre\Core\Checking\Kind;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\CoursePlan;
use Compadre\Core\Teaching\CoursePlanner;
use Compadre\Core\Teaching\PlanMeeting;
use Compadre\Core\Teaching\UnmetNeed;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\DB;

/**
 * The term: what happened at the meetings behind, and what the core plans for those ahead.
 */
final readonly class CourseView
{
    public function __construct(private BadgeShelf $shelf, private Library $library)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $state = GroupState::of($group, $this->shelf);
        $meetings = $group->meetings()->get();
        $plan = $this->plan($state, $meetings);
        $term = $this->term($group, $state, $meetings, $plan);
        $names = $state->learners->pluck('name', 'id');

        return [
            'meetings' => $term,
            'unmet' => array_map(fn (UnmetNeed $need): array => ['learners' => array_map(fn (string $id): string => (string) $names[$id], $need->learners)] + $need->toArray(), $plan->unmet),
            'badges' => array_values(array_map(fn (BadgePack $badge): array => $this->badge($state, $badge, $term), $state->badges)),
            'knots' => $this->names(),
        ];
    }

    /** @return array<string, mixed> */
    public function runSheet(Group $group, Meeting $meeting): array
    {
        $state = GroupState::of($group, $this->shelf);
        $meetings = $group->meetings()->get();
        $term = $this->term($group, $state, $meetings, $this->plan($state, $meetings));
        $here = $meeting->attendances()->pluck('present', 'learner_id')->all();

        return [
            'meeting' => $term[(int) $meetings->search(fn (Meeting $one): bool => $one->id === $meeting->id)],
            'roll' => $state->learners->map(fn (Learner $learner): array => LearnerPage::about($learner) + ['present' => isset($here[$learner->id]) ? (bool) $here[$learner->id] : null])->values()->all(),
            'knots' => $this->names(),
        ];
    }

    /** @return array<string, mixed> */
    public static function about(Meeting $meeting): array
    {
        return ['id' => $meeting->id, 'date' => $meeting->date, 'starts_at' => $meeting->starts_at, 'minutes' => $meeting->minutes, 'checkers' => $meeting->checkers, 'place' => $meeting->place];
    }

    /** @param  Collection<int, Meeting>  $meetings */
    private function plan(GroupState $state, Collection $meetings): CoursePlan
    {
        $ahead = $meetings->filter(fn (Meeting $meeting): bool => $meeting->date >= $state->today)
            ->map(fn (Meeting $meeting): PlanMeeting => new PlanMeeting($meeting->id, $meeting->date, $meeting->minutes, $meeting->checkers));

        return CoursePlanner::plan($state->planLearners(), $state->badges, $state->dates, array_values($ahead->all()), $this->library);
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
            $planned = fn (string ...$kinds): array => array_values(array_filter(array_map(fn (Block $block): ?string => in_array($block->kind, $kinds, true) ? $block->knot : null, $blocks)));
            $introduced = array_values(array_unique([...array_diff($tied, $shown), ...$planned('new')]));
            $revisited = array_values(array_unique(array_diff([...array_intersect($tied, $shown), ...$planned('old', 'again')], $introduced)));
            array_push($shown, ...$introduced);
            $term[] = self::about($meeting) + [
                'number' => $number + 1,
                'state' => $meeting->date < $state->today ? 'past' : ($meeting->date === $state->today ? 'tonight' : 'ahead'),
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
    private function badge(GroupState $state, BadgePack $badge, array $term): array
    {
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
                'met' => $pursuing->filter(fn (Learner $learner): bool => $leaf->metBy(GroupState::levels($learner)[$leaf->knot] ?? null))->count(),
            ];
        }

        return [
            'id' => $badge->id, 'name' => $badge->name, 'due_on' => $state->dates[$badge->id], 'learners' => $pursuing->count(),
            'complete' => $progress->where('complete', true)->count(), 'met' => (int) $progress->sum('met'), 'needed' => (int) $progress->sum('needed'), 'knots' => $knots,
        ];
    }

    private function names(): object
    {
        return (object) array_map(fn ($knot): string => $knot->names[0], $this->library->all());
    }
}
