<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Group;
use App\Models\Meeting;
use App\Models\Pole;
use App\Models\RigGate;
use App\Models\Rope;
use Compadre\Core\Data\Fields;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\PoleStock;
use Compadre\Core\Rigs\RigPack;

/**
 * One rig on the bench: what it asks, and what it comes to with this group's rope. Lengths and sketch of a gated rig are held back
 * until an adult has ticked its gate for the meeting.
 */
final readonly class RigBoard
{
    public function __construct(private RigList $list, private WorkRig $work, private WorkedView $view)
    {
    }

    /** @return array<string, mixed> */
    public function of(Group $group, RigAsked $asked): array
    {
        $rig = $group->rigs()->rig($asked->rig);
        $rope = $this->work->rope($group, $asked->rope);
        $meeting = $asked->meeting === null ? null : $group->meetings()->findOrFail($asked->meeting);
        $gate = $meeting instanceof Meeting ? RigGate::of($meeting, $rig->id) : null;
        $poles = array_values($group->poles()->get()->map(static fn (Pole $pole): PoleStock => $pole->inHand())->all());
        $answers = $asked->answers->raw() + $rig->starts();
        $held = $rig->isGated() && ($gate === null || $asked->isForLearners);
        $rigged = $this->work->of($group, $rig, Fields::of($answers, '/answers'), $rope, $asked->knots);

        return [
            'rig' => $this->list->about($rig, $group->rigPacks()->where('rig', $rig->id)->exists()) + $this->words($rig, $asked->isForLearners), 'questions' => array_map(fn (Question $question): array => $this->view->question($question, $poles), $rig->questions),
            'answers' => (object) $answers, 'rope' => $rope->about(), 'ropes' => array_values($group->ropes()->get()->map(static fn (Rope $one): array => $one->about())->all()), 'held' => $held, 'gate' => $gate?->about(),
            'worked' => $held ? null : $this->view->worked($rigged, $poles),
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
}
