<?php

declare(strict_types=1);

namespace App\Awards;

use App\Models\Award;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Meeting;
use Compadre\Core\Teaching\BadgePack;

/**
 * All awards of a group: what is ready to be decided, what waits to be handed over, what is kept, what was taken back.
 */
final readonly class AwardBoard
{
    public function __construct(private DueList $due)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group): array
    {
        $state = GroupState::of($group);
        $credit = new Credit($group);
        $learners = $state->learners->keyBy('id');

        return [
            'today' => $state->today, ...$this->due->of($credit, $state, proofs: true),
            'awards' => array_values($group->awards()->select(Award::LISTED)->with(['learner', 'meeting'])->orderByDesc('decided_on')->orderBy('name')->orderBy('id')->get()
                ->map(static fn (Award $award): array => self::award($award, $credit, $state, $learners->get($award->learner_id)))->all()),
            'meetings' => array_values($group->term()->get()->filter(static fn (Meeting $meeting): bool => $meeting->isAhead($state->today))->map(static fn (Meeting $meeting): array => self::meeting($meeting))->all()),
            'badges' => array_values(array_map(static fn (BadgePack $badge): array => ['id' => $badge->id, 'name' => $badge->name], $group->shelf()->offered(config()->string('app.house') !== 'group', array_map(strval(...), array_values($group->badges()->pluck('badge')->all()))))),
            'learners' => array_values($state->learners->map(static fn (Learner $learner): array => DueList::learner($learner) + ['held' => $learner->held()])->all()),
        ];
    }

    /** @return array<string, mixed> one award with what met it */
    public function one(Group $group, Award $award): array
    {
        return self::award($award->load(['learner', 'meeting']), new Credit($group), null, null) + ['proof' => $award->proof];
    }

    /**
     * @param  ?Learner  $learner  with standings, where they still belong to the group
     * @return array<string, mixed>
     */
    private static function award(Award $award, Credit $credit, ?GroupState $state, ?Learner $learner): array
    {
        return [
            'id' => $award->id, 'learner' => DueList::learner($award->learner), 'badge' => $award->badge, 'version' => $award->version, 'name' => $award->name,
            'by_hand' => $award->by_hand, 'why' => $award->why, 'decided_on' => $award->decided_on, 'decided_by' => $credit->person($award->decided_by),
            'meeting' => $award->meeting === null || $award->meeting->cancelled_at !== null ? null : self::meeting($award->meeting),
            'handed_on' => $award->handed_on, 'handed_by' => $credit->person($award->handed_by),
            'taken_back' => $award->taken_back_on === null ? null : ['on' => $award->taken_back_on, 'by' => $credit->person($award->taken_back_by), 'why' => $award->taken_back_why],
            'signed' => $award->signed_at === null ? null : ['named' => $award->named, 'on' => $award->signed_at->format('Y-m-d')],
            'stands' => $award->by_hand || $award->taken_back_on !== null || $learner === null || $state === null || self::stillMet($award, $state, $learner),
        ];
    }

    /** A check may have been taken back since; whether the award is, too, is for a lead to say. */
    private static function stillMet(Award $award, GroupState $state, Learner $learner): bool
    {
        $badge = $state->shelf->exactly($award->badge, $award->version);

        // The version may be gone: what met it is kept with the award.
        return $badge === null || $badge->requirement->isMet($learner->levels(), GroupState::ticked($learner));
    }

    /** @return array{id: string, date: string, place: ?string} */
    private static function meeting(Meeting $meeting): array
    {
        return ['id' => $meeting->id, 'date' => $meeting->date, 'place' => $meeting->place];
    }
}
