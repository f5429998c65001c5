<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Group;
use App\Models\Meeting;
use App\Models\MeetingRig;
use App\Models\RigGate;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * Puts a rig's rope on what a meeting packs. One rig stands on a list once; put again, its answers are the new ones.
 */
final readonly class TakeRig
{
    public function __construct(private WorkRig $work)
    {
    }

    /** @throws Refusal for what cannot stand, or a gate that nobody has ticked for this meeting */
    public function __invoke(Group $group, Meeting $meeting, Fields $fields): string
    {
        $rig = $group->rigs()->rig($fields->text('rig'));
        $rope = $this->work->rope($group, $fields->textOrNull('rope'));
        $knots = $fields->words('knots');
        if ($rig->isGated() && RigGate::of($meeting, $rig->id) === null) {
            throw Refusal::of('/rig', $rig->id, 'bench.gate_first', ['rig' => $rig->name]);
        }
        $this->work->of($group, $rig, $fields->object('answers'), $rope, $knots);

        return MeetingRig::query()->updateOrCreate(['meeting_id' => $meeting->id, 'rig' => $rig->id], [
            'group_id' => $group->id, 'version' => $rig->version, 'rope_id' => $rope->id, 'answers' => $fields->object('answers')->raw(), 'knots' => $knots,
        ])->id;
    }
}
