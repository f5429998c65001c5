<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Group;
use App\Models\Meeting;
use App\Models\RigGate;
use App\Models\Rope;
use Compadre\Core\Data\Fields;
use Compadre\Core\Rigs\Member;
use Compadre\Core\Rigs\Pack\FigurePlan;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\Rigged;
use Compadre\Core\Rigs\RigPack;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rigs\StandingKnot;

/**
 * One rig on the bench: what it asks, and what it comes to with this group's rope. Lengths and sketch of a gated rig are held back
 * until an adult has ticked its gate for the meeting.
 */
final readonly class RigBoard
{
    public function __construct(private RigShelf $shelf, private RigList $list, private WorkRig $work)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, RigAsked $asked): array
    {
        $rig = $this->shelf->rig($asked->rig);
        $rope = $this->work->rope($group, $asked->rope);
        $meeting = $asked->meeting === null ? null : $group->meetings()->findOrFail($asked->meeting);
        $gate = $meeting instanceof Meeting ? RigGate::of($meeting, $rig->id) : null;
        $answers = $asked->answers->raw() + $rig->starts();
        $held = $rig->isGated() && ($gate === null || $asked->isForLearners);
        $rigged = $this->work->of($rig, Fields::of($answers, '/answers'), $rope, $asked->knots);

        return [
            'rig' => $this->list->about($rig) + $this->words($rig, $asked->isForLearners), 'questions' => array_map(self::question(...), $rig->questions),
            'answers' => (object) $answers, 'rope' => $rope->about(), 'ropes' => array_values($group->ropes()->get()->map(static fn (Rope $one): array => $one->about())->all()), 'held' => $held, 'gate' => $gate?->about(),
            'worked' => $held ? null : $this->worked($rigged),
        ];
    }

    /** @return array<string, mixed> */
    private function words(RigPack $rig, bool $forLearners): array
    {
        return [
            'learners' => $rig->forLearners, 'prerequisites' => $this->list->named($rig->prerequisites), 'cautions' => $rig->cautions, 'checks' => $rig->checks, 'gates' => $rig->gates,
            'raise' => $rig->raise, 'strike' => $rig->strike, 'leaves' => $rig->leaves, 'leaders' => $forLearners ? [] : $rig->leaders,
        ];
    }

    /** @return array<string, mixed> */
    private static function question(Question $question): array
    {
        $choices = [];
        foreach ($question->choices as $id => $name) {
            $choices[] = ['id' => $id, 'name' => $name];
        }

        return [
            'id' => $question->id, 'ask' => $question->ask, 'kind' => $question->kind->value, 'unit' => $question->unit, 'from' => $question->from, 'to' => $question->to,
            'optional' => $question->isOptional(), 'start' => $question->begins(), 'choices' => $choices, 'times' => $question->times, 'fields' => array_map(self::question(...), $question->fields),
        ];
    }

    /** @return array<string, mixed> */
    private function worked(Rigged $rigged): array
    {
        $figures = array_filter($rigged->rig->figures, static fn (FigurePlan $figure): bool => isset($rigged->figures[$figure->id]));

        return [
            'members' => array_map(fn (Member $member): array => [
                'id' => $member->id, 'kind' => $member->kind, 'name' => $member->name, 'count' => $member->count, 'length_mm' => $member->length, 'diameter_mm' => $member->diameter, 'knots' => $this->list->named($member->knots),
            ], $rigged->members),
            'places' => array_map(fn (StandingKnot $knot): array => [
                'place' => $knot->place, 'where' => $knot->where, 'knot' => $this->list->named([$knot->knot])[0], 'method' => $knot->method, 'wraps' => $knot->wraps, 'counts' => $knot->counts, 'why' => $knot->why, 'others' => $this->list->named($knot->others),
            ], $rigged->knots),
            'figures' => array_values(array_map(static fn (FigurePlan $figure): array => ['id' => $figure->id, 'name' => $figure->name, 'unit' => $figure->unit, 'value' => $rigged->figures[$figure->id]], $figures)),
            'cut' => $rigged->cut, 'advice' => $rigged->advice, 'reason' => $rigged->reason, 'sketch' => $rigged->sketch->toArray(),
        ];
    }
}
