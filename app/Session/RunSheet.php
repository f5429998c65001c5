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
use Carbon\CarbonImmutable;

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
        $runs = $meeting->blocks()->get();

        return [
            'meeting' => $term[(int) $meetings->search(fn (Meeting $one): bool => $one->id === $meeting->id)],
            'roll' => $state->learners->map(fn (Learner $learner): array => $learner->about() + ['present' => isset($here[$learner->id]) ? (bool) $here[$learner->id] : null])->values()->all(),
            'knots' => (object) $this->names->all(),
            'clock' => [
                'now' => CarbonImmutable::now()->toIso8601ZuluString(), 'started_at' => $meeting->started_at?->toIso8601ZuluString(), 'ended_at' => $meeting->ended_at?->toIso8601ZuluString(),
                'blocks' => $runs->map(fn (BlockRun $run): array => [
                    'id' => $run->id, 'place' => $run->position, 'kind' => $run->kind, 'knot' => $run->knot, 'planned' => $run->planned, 'state' => $run->state, 'why' => is_string($run->stations['why'] ?? null) ? $run->stations['why'] : '',
                    'beside' => $run->stations['beside'] ?? [], 'learners' => $run->stations['learners'] ?? [], 'started_at' => $run->started_at?->toIso8601ZuluString(), 'ended_at' => $run->ended_at?->toIso8601ZuluString(),
                ])->values()->all(),
            ],
            'proposal' => $meeting->ended_at === null ? null : PlanProposal::of($state, $plans, $meetings),
        ];
    }
}
