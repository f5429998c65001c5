<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Group;
use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Rope;
use App\Packs\Packs;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\VerdictTable;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Teaching\BadgeShelf;

/**
 * One knot and the learners in front of you: those present first, and of them those who still need it.
 */
final readonly class CheckSheet
{
    public function __construct(private BadgeShelf $shelf, private Library $library, private Packs $packs)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, string $knotId, ?string $meetingId, ?string $ropeId): array
    {
        $knot = $this->library->knot($knotId);
        $meeting = $meetingId === null
            ? $group->meetings()->where('date', $group->today())->first()
            : ($group->meetings()->find($meetingId) ?? throw Refusal::of('/meeting', $meetingId, 'a meeting of your group'));
        $ropes = $group->ropes()->get();
        $rope = $ropeId === null ? $ropes->first() : ($ropes->find($ropeId) ?? throw Refusal::of('/rope', $ropeId, 'a rope of your group'));

        return [
            'knot' => self::about($knot),
            'meeting' => $meeting === null ? null : CourseView::about($meeting),
            'ropes' => $ropes->map(PeopleView::rope(...))->values()->all(),
            'rope' => $rope === null ? null : PeopleView::rope($rope),
            'verdicts' => VerdictTable::of($knot, $this->packs->tails()),
            'rows' => $this->rows($group, $knot, $meeting),
        ] + ($rope === null || ! $knot->hasTail ? ['tail' => null, 'limits' => null] : $this->tail($group, $knot, $rope));
    }

    /** @return array{tail: array<string, mixed>, limits: array<string, array{float, float}>} */
    private function tail(Group $group, KnotPack $knot, Rope $rope): array
    {
        $inHand = $rope->inHandFor($knot);
        $judged = $this->packs->tails()->judge($knot->tailClass, $inHand, $group->tail_school, $group->backup, null, Measure::Millimetres);

        return ['tail' => $judged->toArray(), 'limits' => VerdictTable::limits($judged->required, $inHand->diameter)];
    }

    /** @return array<string, mixed> */
    private static function about(KnotPack $knot): array
    {
        return [
            'id' => $knot->id, 'name' => $knot->names[0], 'has_dressing' => $knot->hasDressing, 'has_tail' => $knot->hasTail,
            'checks' => ['tying' => $knot->tyingChecks, 'dressing' => $knot->dressingChecks, 'tail' => $knot->tailChecks],
            'mistakes' => array_values(array_map(fn (KnotMistake $mistake): array => $mistake->toArray(), $knot->mistakes)), 'test' => $knot->test,
        ];
    }

    /** @return list<array<string, mixed>> */
    private function rows(Group $group, KnotPack $knot, ?Meeting $meeting): array
    {
        $state = GroupState::of($group, $this->shelf);
        $here = $meeting === null ? [] : $meeting->attendances()->pluck('present', 'learner_id')->all();
        $rows = [];
        foreach ($state->learners as $order => $learner) {
            $standing = $learner->standings->firstWhere('knot', $knot->id);
            $present = isset($here[$learner->id]) ? (bool) $here[$learner->id] : null;
            $wanted = self::wanted($state, $learner, $knot->id);
            $rows[] = [[match ($present) {
                true => 0,
                null => 1,
                false => 2,
            }, $wanted === null ? 1 : 0, $order], [
                'id' => $learner->id, 'name' => $learner->name, 'age_band' => $learner->age_band->value, 'hand' => $learner->hand,
                'present' => $present, 'wanted' => $wanted?->value, 'mark' => $standing === null ? null : Marks::of($standing, $state->today),
            ]];
        }
        usort($rows, fn (array $a, array $b): int => $a[0] <=> $b[0]);

        return array_column($rows, 1);
    }

    /** The level of this knot that the learner's open badges still ask for. */
    private static function wanted(GroupState $state, Learner $learner, string $knot): ?Level
    {
        $reached = GroupState::levels($learner)[$knot] ?? null;
        $wanted = null;
        foreach ($state->badgesOf($learner) as $badge) {
            foreach (GroupState::progress($badge, $learner)['complete'] ? [] : $badge->requirement->leaves() as $leaf) {
                if ($leaf->knot === $knot && ! $leaf->metBy($reached, GroupState::ticked($learner)) && ($wanted === null || $leaf->level->rung() > $wanted->rung())) {
                    $wanted = $leaf->level;
                }
            }
        }

        return $wanted;
    }
}
