<?php

declare(strict_types=1);

namespace App\Check;

use App\Http\NotHere;
use App\Http\Words;
use App\Knots\KnotCompared;
use App\Knots\Packs;
use App\Models\CheckEvent;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Learner;
use App\Models\Marks;
use App\Models\Meeting;
use App\Models\Rope;
use Compadre\Core\Checking\UsualMistakes;
use Compadre\Core\Checking\VerdictTable;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Measure;

/**
 * One knot and the learners in front of you: those present first, and of them those who still need it.
 */
final readonly class CheckSheet
{
    public function __construct(private Library $library, private Packs $packs, private KnotCompared $compared)
    {
    }

    /**
     * @param  ?GroupState  $state  where it has been read already
     * @return array<string, mixed>
     */
    public function of(Group $group, string $knotId, ?string $meetingId, ?string $ropeId, ?GroupState $state = null): array
    {
        $knot = $this->library->has($knotId) && $this->library->knot($knotId)->isForAll() ? $this->library->knot($knotId) : throw NotHere::knot($knotId);
        $meeting = $meetingId === null
            ? self::tonight($group)
            : ($group->meetings()->find($meetingId) ?? throw Refusal::of('/meeting', $meetingId, 'course.meeting'));
        $ropes = $group->ropes()->get();
        $rope = $ropeId === null ? $ropes->first() : ($ropes->find($ropeId) ?? throw Refusal::of('/rope', $ropeId, 'check.rope'));

        return [
            'knot' => self::about($knot, UsualMistakes::of($knot, $this->compared->likely($knotId), $this->named($group, $knotId))),
            'meeting' => $meeting === null ? null : $meeting->about(),
            'ropes' => $ropes->map(fn (Rope $rope): array => $rope->about())->values()->all(),
            'rope' => $rope === null ? null : $rope->about(),
            'in_hand' => $rope?->inHandFor($knot)->toArray(),
            'verdicts' => VerdictTable::of($knot, $this->packs->tails(), Words::asked()),
            'rows' => self::rows($state ?? GroupState::of($group), $knot, $meeting),
        ] + ($rope === null || ! $knot->hasTail ? ['tail' => null, 'limits' => null] : $this->tail($group, $knot, $rope));
    }

    /** @return array{tail: array<string, mixed>, limits: array<string, array{float, float}>} */
    private function tail(Group $group, KnotPack $knot, Rope $rope): array
    {
        $inHand = $rope->inHandFor($knot);
        $judged = $this->packs->tails()->judge($knot->tailClass, $inHand, $group->tail_school, $group->backup, null, Measure::Millimetres);

        return ['tail' => $judged->toArray(Words::asked()), 'limits' => VerdictTable::limits($judged->required, $inHand->across())];
    }

    private static function tonight(Group $group): ?Meeting
    {
        return $group->term()->where('date', $group->today())->first();
    }

    /** @return array<string, int> how often this group's leaders have named each mistake of a knot */
    private function named(Group $group, string $knot): array
    {
        return CheckEvent::withMistake($group)->where('knot', $knot)->groupBy('mistake')
            ->selectRaw('mistake, count(*) as times')->pluck('times', 'mistake')->map(fn (mixed $times): int => (int) $times)->all();
    }

    /**
     * What is open for one learner: old knots that are due, the longest unseen first, then what the badges still ask for.
     *
     * @param  ?GroupState  $state  where it has been read already
     * @return array<string, mixed>
     */
    public function openFor(Group $group, Learner $learner, ?GroupState $state = null): array
    {
        $state ??= GroupState::of($group);
        $learner = $state->own($learner);
        $meeting = self::tonight($group);
        $open = $state->wantedBy($learner);
        $words = Words::asked();
        $rows = [];
        foreach ($this->library->all() as $order => $knot) {
            $standing = $learner->standings->firstWhere('knot', $knot->id);
            $mark = $standing === null ? null : Marks::of($standing, $state->today);
            $wanted = $open[$knot->id] ?? null;
            if ($wanted === null && ! ($mark['due'] ?? false)) {
                continue;
            }
            $rows[] = [[($mark['due'] ?? false) ? 0 : 1, $mark['chance'] ?? 1.0, $this->library->depth($knot->id), $knot->minutes, $order], [
                'id' => $knot->id, 'name' => $knot->names[0], 'has_dressing' => $knot->hasDressing, 'has_tail' => $knot->hasTail,
                'wanted' => $wanted?->value, 'mark' => $mark, 'clean' => VerdictTable::clean($knot, $this->packs->tails(), $words),
            ]];
        }
        usort($rows, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return ['learner' => $learner->about(), 'meeting' => $meeting === null ? null : $meeting->about(), 'knots' => array_column($rows, 1)];
    }

    /**
     * @param  list<KnotMistake>  $mistakes
     * @return array<string, mixed>
     */
    private static function about(KnotPack $knot, array $mistakes): array
    {
        return [
            'id' => $knot->id, 'name' => $knot->names[0], 'has_dressing' => $knot->hasDressing, 'has_tail' => $knot->hasTail,
            'checks' => ['tying' => $knot->tyingChecks, 'dressing' => $knot->dressingChecks, 'tail' => $knot->tailChecks],
            'mistakes' => array_map(fn (KnotMistake $mistake): array => $mistake->toArray(), $mistakes), 'test' => $knot->test,
        ];
    }

    /** @return list<array<string, mixed>> */
    private static function rows(GroupState $state, KnotPack $knot, ?Meeting $meeting): array
    {
        $here = $meeting === null ? [] : $meeting->attendances()->pluck('present', 'learner_id')->all();
        $rows = [];
        foreach ($state->learners as $order => $learner) {
            $standing = $learner->standings->firstWhere('knot', $knot->id);
            $present = isset($here[$learner->id]) ? (bool) $here[$learner->id] : null;
            $wanted = $state->wantedBy($learner)[$knot->id] ?? null;
            $mark = $standing === null ? null : Marks::of($standing, $state->today);
            // Of those who have it, whoever has not tied it longest goes first.
            $rows[] = [[match ($present) {
                true => 0,
                null => 1,
                false => 2,
            }, $wanted === null ? 1 : 0, ($mark['due'] ?? false) ? $mark['chance'] : 1.0, $order], [
                'id' => $learner->id, 'name' => $learner->name, 'age_band' => $learner->age_band->value, 'hand' => $learner->hand,
                'present' => $present, 'wanted' => $wanted?->value, 'mark' => $mark,
            ]];
        }
        usort($rows, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($rows, 1);
    }
}
