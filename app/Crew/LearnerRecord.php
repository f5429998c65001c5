<?php

declare(strict_types=1);

namespace App\Crew;

use App\Http\Words;
use App\Knots\KnotNames;
use App\Models\Attendance;
use App\Models\Award;
use App\Models\BadgeTick;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Office;
use App\Models\PracticeDay;
use App\Models\Pursuit;
use App\Models\Standing;
use App\Models\Submission;
use App\Models\User;
use Compadre\Core\Awards\Credential\Criteria;
use Compadre\Core\Teaching\BadgeShelf;
use Illuminate\Support\Collection;

/**
 * Everything there is of one learner, for a parent who asks: every check however long ago, every evening, badges and ticks. In the
 * words of the record, with people by their names.
 */
final readonly class LearnerRecord
{
    public function __construct(private KnotNames $names)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, Learner $learner): array
    {
        $people = User::everOf($group)->pluck('name', 'id');
        $meetings = $group->meetings()->get()->keyBy('id');
        $learner->load(['standings', 'pursuits', 'ticks']);
        $shelf = $group->shelf();

        $record = [
            'format' => 'compadre-learner', 'version' => 1, 'group' => $group->name, 'made_on' => $group->today(),
            'learner' => $learner->about() + ['archived' => $learner->archived_at !== null],
            'standings' => $learner->standings->map(fn (Standing $one): array => ['knot' => $one->knot, 'level' => $one->level?->value, 'verdict' => $one->verdict, 'day' => $one->day, 'has_it_since' => $one->has_it_since, 'kept_since' => $one->kept_since, 'half_life_days' => $one->half_life_days])->values()->all(),
            'checks' => self::checks($learner, $people),
            'evenings' => self::evenings($learner, $meetings, $people),
            'badges' => $learner->pursuits->map(fn (Pursuit $one): array => ['badge' => $one->badge, 'version' => $one->version, 'name' => $shelf->inVersion($one->badge, $one->version)->name ?? $one->badge])->values()->all(),
            'awards' => self::awards($group, $learner, $people),
            'practised' => PracticeDay::lastOf($learner, null),
            'ticks' => $this->ticks($shelf, $group, $learner, $people),
        ];

        return $record + ['knots' => (object) $this->named(...array_column($record['standings'], 'knot'), ...array_column($record['checks'], 'knot'), ...array_column($record['practised'], 'knot'))];
    }

    /** @return array<string, string> what the knots are called that the record speaks of, by id */
    private function named(string ...$knots): array
    {
        $names = [];
        foreach ($knots as $knot) {
            $names[$knot] ??= $this->names->of($knot);
        }
        ksort($names);

        return $names;
    }

    /**
     * @param  Collection<array-key, mixed>  $people
     * @return list<array{note: string, words: ?string, day: string, by: mixed}> in the words of a badge that asks for it, where there is one
     */
    private function ticks(BadgeShelf $shelf, Group $group, Learner $learner, Collection $people): array
    {
        $catalogue = Words::asked();
        $words = [];
        foreach ($shelf->all() as $badge) {
            foreach ($badge->requirement->notes() as $note) {
                $words[$note->key()] = $catalogue->say(Criteria::ofNote($note->kind, $note->words));
            }
            foreach ($badge->requirement->leaves() as $leaf) {
                $words[$leaf->key()] = $catalogue->say(Criteria::ofKnot($this->names->of($leaf->knot), $leaf->level, $leaf->in));
            }
        }

        return array_values($learner->ticks->map(fn (BadgeTick $one): array => [
            'note' => $one->note, 'words' => $words[$one->note] ?? null, 'day' => $one->created_at->setTimezone($group->time_zone)->format('Y-m-d'), 'by' => $people->get($one->ticked_by),
        ])->all());
    }

    /**
     * @param  Collection<array-key, mixed>  $people
     * @return list<array<string, mixed>> those that were taken back, too
     */
    private static function awards(Group $group, Learner $learner, Collection $people): array
    {
        $offices = Office::query()->where('group_id', $group->id)->pluck('address', 'id');
        $awards = Award::query();
        $awards->where('learner_id', $learner->id)->orderBy('decided_on')->orderBy('id');
        $all = $awards->get();
        $told = Submission::query()->whereIn('award_id', $all->pluck('id'))->orderBy('created_at')->get()->groupBy('award_id');

        return array_values($all->map(fn (Award $one): array => [
            'id' => $one->id, 'badge' => $one->badge, 'version' => $one->version, 'name' => $one->name, 'by_hand' => $one->by_hand, 'why' => $one->why,
            'decided_on' => $one->decided_on, 'decided_by' => $people->get($one->decided_by), 'handed_on' => $one->handed_on, 'handed_by' => $one->handed_by === null ? null : $people->get($one->handed_by),
            'taken_back_on' => $one->taken_back_on, 'taken_back_by' => $one->taken_back_by === null ? null : $people->get($one->taken_back_by), 'taken_back_why' => $one->taken_back_why, 'proof' => $one->proof,
            'told' => array_values(($told->get($one->id) ?? collect())->map(fn (Submission $sent): array => [
                'office' => $offices->get($sent->office_id), 'passage' => $sent->passage->value, 'receipt' => $sent->receipt, 'requirement' => $sent->requirement, 'reason' => $sent->reason, 'answered_at' => $sent->answered_at?->toIso8601ZuluString(),
            ])->all()),
        ])->all());
    }

    /**
     * @param  Collection<array-key, mixed>  $people
     * @return list<array<string, mixed>> the oldest first
     */
    private static function checks(Learner $learner, Collection $people): array
    {
        $events = CheckEvent::query();
        $events->where('learner_id', $learner->id)->orderBy('corrected_at')->orderBy('device_seq');

        return array_values($events->get()->map(fn (CheckEvent $one): array => [
            'id' => $one->id, 'kind' => $one->kind->value, 'knot' => $one->knot, 'method' => $one->method, 'meeting' => $one->meeting_id, 'day' => $one->day, 'day_by_server' => $one->day_by_server,
            'observed_at' => $one->observed_at->toIso8601ZuluString(), 'by' => $people->get($one->by), 'sent_by' => $one->sent_by === null ? null : $people->get($one->sent_by),
            'verdict' => $one->verdict->value, 'tying' => $one->tying->value, 'dressing' => $one->dressing->value, 'tail' => $one->tail->value, 'purpose' => $one->purpose->value, 'test' => $one->test->value,
            'how' => $one->how, 'measured_mm' => $one->measured_mm, 'measured_by' => $one->measured_by, 'rope' => $one->rope, 'prompts' => $one->prompts, 'took_s' => $one->took_s,
            'mistake' => $one->mistake, 'note' => $one->note, 'rig' => $one->rig_name, 'target' => $one->target, 'rule_version' => $one->rule_version, 'pack_version' => $one->pack_version,
        ])->all());
    }

    /**
     * @param  Collection<array-key, Meeting>  $meetings
     * @param  Collection<array-key, mixed>  $people
     * @return list<array<string, mixed>>
     */
    private static function evenings(Learner $learner, Collection $meetings, Collection $people): array
    {
        $marks = Attendance::query();
        $marks->where('learner_id', $learner->id);

        return array_values($marks->get()->map(fn (Attendance $one): array => ['meeting' => $one->meeting_id, 'date' => $meetings->get($one->meeting_id)?->date, 'present' => $one->present, 'by' => $people->get($one->marked_by)])->sortBy('date')->all());
    }
}
