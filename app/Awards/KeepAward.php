<?php

declare(strict_types=1);

namespace App\Awards;

use App\Awards\Office\TellOffice;
use App\Models\Award;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Turn;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\DueBadge;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Words\Day;
use Compadre\Core\Words\Saying;
use Illuminate\Support\Facades\DB;

/**
 * Decides badges, hands them over, and takes them back. What met a badge is written down with the decision: it stands whatever
 * becomes of the badge afterwards.
 */
final readonly class KeepAward
{
    public function __construct(private TellOffice $office)
    {
    }

    /** Learners are young: nothing was awarded to them longer ago. */
    private const YEARS = 20;

    /**
     * Badges that are ready, of one learner or of many; all of them or none.
     *
     * @return list<Award>
     */
    public function decide(User $by, Fields $asked): array
    {
        $group = $by->group;
        $meeting = $this->meeting($group, $asked->textOrNull('meeting'));

        return DB::transaction(function () use ($by, $group, $asked, $meeting): array {
            $this->lock($group, array_map(static fn (Fields $one): string => $one->text('learner'), $asked->objects('awards')));
            $state = GroupState::of($group);
            $credit = new Credit($group);
            $due = $credit->due($state);
            $awards = [];
            foreach ($asked->objects('awards') as $one) {
                $learner = $state->learners->firstWhere('id', $one->text('learner')) ?? throw Refusal::of($one->place('learner'), $one->text('learner'), 'crew.learner');
                $badge = $this->ready($due[$learner->id] ?? [], $learner, $one);
                $awards[] = $this->write($by, $learner, $badge, ['proof' => $credit->proof($badge, $learner), 'decided_on' => $state->today, 'meeting_id' => $meeting?->id]);
            }
            $this->office->held($group, $awards);

            return $awards;
        });
    }

    /**
     * On a leader's word: awarded before the group began here, or for what was done elsewhere.
     *
     * @return list<Award>
     */
    public function byHand(User $by, Fields $asked): array
    {
        $group = $by->group;
        $shelf = $group->shelf();
        $badge = $shelf->badge($asked->text('badge'));
        $why = $this->why($asked, new Saying('awards.why_by_hand'));
        $decided = $this->day($group, $asked, 'decided_on') ?? $group->today();
        $handed = $this->day($group, $asked, 'handed_on');
        if ($handed !== null && $handed < $decided) {
            throw Refusal::of('/handed_on', $handed, 'awards.from_decided', ['day' => $decided]);
        }

        return DB::transaction(function () use ($by, $group, $shelf, $asked, $badge, $why, $decided, $handed): array {
            $this->lock($group, $asked->texts('learners'));
            $learners = $group->learners()->with(GroupState::OF_A_LEARNER)->get();
            $credit = new Credit($group);
            $awards = [];
            foreach ($asked->texts('learners') as $index => $id) {
                $learner = $learners->firstWhere('id', $id) ?? throw Refusal::of("/learners/$index", $id, 'crew.learner');
                $this->refuseHeld($learner, $badge->id, "/learners/$index");
                $own = $shelf->inVersion($badge->id, (int) ($learner->pursuits->firstWhere('badge', $badge->id)->version ?? $badge->version)) ?? $badge;
                $awards[] = $this->write($by, $learner, $own, [
                    'proof' => $credit->proof($own, $learner, $decided), 'by_hand' => true, 'why' => $why, 'decided_on' => $decided,
                    'handed_on' => $handed, 'handed_by' => $handed === null ? null : $by->id,
                ]);
            }

            return $awards;
        });
    }

    /** Where it is to be handed over; or that it was not after all, or on another day. */
    public function change(User $by, Award $award, Fields $change): Award
    {
        $this->refuseTakenBack($award);
        if (array_key_exists('meeting', $change->raw())) {
            $award->meeting_id = $this->meeting($by->group, $change->textOrNull('meeting'))?->id;
        }
        if (array_key_exists('handed_on', $change->raw())) {
            $day = $this->day($by->group, $change, 'handed_on');
            $this->refuseBefore($award, $day, '/handed_on');
            $award->handed_on = $day;
            $award->handed_by = $day === null ? null : $by->id;
        }
        $award->save();

        return $award->refresh();
    }

    /**
     * Today, or on a day that has been; those that were handed over already stay as they are.
     *
     * @return list<Award>
     */
    public function handOver(User $by, Fields $asked): array
    {
        $day = $this->day($by->group, $asked, 'on') ?? $by->group->today();

        return DB::transaction(function () use ($by, $asked, $day): array {
            $awards = $by->group->awards()->whereIn('id', $asked->texts('awards'))->lockForUpdate()->get()->keyBy('id');
            foreach ($asked->texts('awards') as $index => $id) {
                $award = $awards[$id] ?? throw Refusal::of("/awards/$index", $id, 'awards.award');
                $this->refuseTakenBack($award, "/awards/$index");
                if ($award->handed_on === null) {
                    $this->refuseBefore($award, $day, '/on');
                    $award->update(['handed_on' => $day, 'handed_by' => $by->id]);
                }
            }

            return array_values($awards->all());
        });
    }

    public function takeBack(User $by, Award $award, Fields $asked): Award
    {
        $this->refuseTakenBack($award);
        $why = $this->why($asked, new Saying('awards.why_taken_back'));
        DB::transaction(function () use ($by, $award, $why): void {
            Award::query()->whereKey($award->id)->lockForUpdate()->first();
            $award->update(['taken_back_on' => $by->group->today(), 'taken_back_by' => $by->id, 'taken_back_why' => $why]);
            Award::markTakenBack(Award::query()->whereKey($award->id));
            $this->office->takenBack($by->group, [$award->id]);
        });

        return $award->refresh();
    }

    /** @param  list<DueBadge>  $due */
    private function ready(array $due, Learner $learner, Fields $one): BadgePack
    {
        $id = $one->text('badge');
        foreach ($due as $badge) {
            if ($badge->badge->id === $id) {
                $about = ['badge' => $badge->badge->name, 'learner' => $learner->name];

                return $badge->isReady() ? $badge->badge : throw Refusal::of($one->place('badge'), $id, $badge->isComplete ? 'awards.after_other' : 'awards.not_all', $about);
            }
        }
        $this->refuseHeld($learner, $id, $one->place('badge'));
        throw Refusal::of($one->place('badge'), $id, 'awards.not_aimed_at', ['learner' => $learner->name]);
    }

    private function refuseHeld(Learner $learner, string $badge, string $field): void
    {
        $award = $learner->awards->firstWhere('badge', $badge);
        if ($award !== null) {
            throw Refusal::of($field, $badge, 'awards.decided', ['badge' => $award->name, 'learner' => $learner->name, 'on' => new Day($award->decided_on)]);
        }
    }

    private function why(Fields $asked, Saying $otherwise): string
    {
        $why = trim($asked->text('why'));

        return $why === '' ? throw Refusal::of('/why', $asked->text('why'), 'awards.why', ['otherwise' => $otherwise]) : $why;
    }

    /** @param  array<string, mixed>  $about  when and how it was decided */
    private function write(User $by, Learner $learner, BadgePack $badge, array $about): Award
    {
        return $by->group->awards()->create($about + ['learner_id' => $learner->id, 'badge' => $badge->id, 'version' => $badge->version, 'name' => $badge->name, 'decided_by' => $by->id])->refresh();
    }

    private function refuseTakenBack(Award $award, string $field = '/award'): void
    {
        if ($award->taken_back_on !== null) {
            throw Refusal::of($field, $award->id, 'awards.was_taken_back', ['badge' => $award->name, 'on' => new Day($award->taken_back_on)]);
        }
    }

    private function refuseBefore(Award $award, ?string $day, string $field): void
    {
        if ($day !== null && $day < $award->decided_on) {
            throw Refusal::of($field, $day, 'awards.from_decided', ['day' => $award->decided_on]);
        }
    }

    private function meeting(Group $group, ?string $id): ?Meeting
    {
        if ($id === null) {
            return null;
        }
        $meeting = $group->meetings()->whereKey($id)->first();

        return $meeting !== null && $meeting->isAhead($group->today()) ? $meeting : throw Refusal::of('/meeting', $id, 'awards.meeting');
    }

    private function day(Group $group, Fields $asked, string $field): ?string
    {
        $day = $asked->textOrNull($field);
        $today = $group->today();
        $first = CarbonImmutable::parse($today)->subYears(self::YEARS)->format('Y-m-d');
        if ($day !== null && ($day > $today || $day < $first)) {
            throw Refusal::of($asked->place($field), $day, 'any.days', ['first' => $first, 'last' => $today]);
        }

        return $day;
    }

    /**
     * Two leads may decide at once: they take turns.
     *
     * @param  list<string>  $learners
     */
    private function lock(Group $group, array $learners): void
    {
        Turn::at('learners', ...$group->learners()->whereIn('id', $learners)->pluck('id')->all());
    }
}
