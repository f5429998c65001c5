<?php

declare(strict_types=1);

namespace App\Course;

use App\Bench\RigsAtHand;
use App\Knots\KnotNames;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Meeting;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\Term\TermSheet;
use Compadre\Core\Teaching\Term\UnmetNeed;
use Illuminate\Database\Eloquent\Collection;

/**
 * The term: what happened at the meetings behind, and what the core plans for those ahead.
 */
final readonly class CourseView
{
    public function __construct(private Plans $plans, private KnotNames $names, private RigsAtHand $rigs, private ImprovePlan $improve)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $state = GroupState::of($group);
        $meetings = $group->term()->get();
        $plans = $this->plans->with($state, $group, $meetings);
        $plan = $plans->kept();
        $term = TermBoard::of($group, $state, $meetings, $plan);

        return [
            'meetings' => $term,
            'unmet' => array_map(fn (UnmetNeed $need): array => PlanProposal::unmet($state, $need), $plan->withRemediesOf($plans->improved())),
            'badges' => array_map(fn (string $key): array => $this->badge($state, $key, $term), array_map(strval(...), array_keys($state->badges))),
            'knots' => (object) $this->names->all(), 'rigs' => (object) array_map(static fn (PlanRig $rig): string => $rig->name, $this->rigs->of($group)),
            'places' => (object) $plan->shownIn, 'pinned' => $plans->pinned(), 'people' => (object) $state->learners->pluck('name', 'id')->all(), 'patrols' => (object) $state->learners->pluck('patrol', 'id')->filter()->all(), 'accepted' => $plans->isAccepted(),
            'pace' => $group->pace, 'proven' => $plan->proven, 'bound' => $plan->bound->unmet, 'missing' => $plan->score->unmet,
            'remembered' => self::remembered($plan),
            'minutes' => array_map($plans->pace()->about(...), $plans->pace()->kinds()), 'minutes_of' => $plans->pace()->aboutKnots(), 'passes' => $plans->passRates()->about(),
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
        $plans = $this->plans->with($state, $group, $meetings);

        return PlanProposal::consequence($state, $plans->kept(), $plans->with($change), $meetings);
    }

    /**
     * What takes longer to lay out: a better plan, where there is one, and what either pace would come to.
     *
     * @return array<string, mixed>
     */
    public function outlook(Group $group): array
    {
        $state = GroupState::of($group);
        $meetings = $group->term()->get();
        $plans = $this->plans->with($state, $group, $meetings);
        $pace = static fn (TermSheet $plan): array => ['missing' => $plan->score->unmet, 'completed' => self::completed($plan, $meetings), 'remembered' => self::remembered($plan)];

        $improving = $this->improve->isToCome($plans);
        if ($improving) {
            $this->improve->afterwards($group);
        }

        return ['proposal' => PlanProposal::of($state, $plans, $meetings), 'improving' => $improving, 'paces' => ['soon' => $pace($plans->inPace(true)), 'keep' => $pace($plans->inPace(false))]];
    }

    /** @return array<string, mixed> */
    private static function remembered(TermSheet $plan): array
    {
        return $plan->atLast->toArray() + ['on' => $plan->lastDay];
    }

    /**
     * @param  Collection<int, Meeting>  $meetings
     * @return array{badges: int, of: int, meetings: ?float} badges completed, of those under way, and at which meeting in the mean
     */
    private static function completed(TermSheet $plan, Collection $meetings): array
    {
        $numbers = array_flip($meetings->modelKeys());
        $when = [];
        foreach ($plan->completes as $one) {
            if ($one['meeting'] !== null) {
                $when[] = 1 + ($numbers[$one['meeting']] ?? count($numbers));
            }
        }

        return ['badges' => count($when), 'of' => count($plan->completes), 'meetings' => $when === [] ? null : round(array_sum($when) / count($when), 1)];
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
}
