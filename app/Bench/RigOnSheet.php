<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Group;
use App\Models\Meeting;
use App\Models\RigGate;
use Compadre\Core\Rigs\RigPack;

/**
 * Rigs as a meeting's run sheet shows them: what is done to put each up, to look at it and to take it down. Of a gated one the steps
 * are held back until an adult has ticked its gate for the meeting.
 */
final readonly class RigOnSheet
{
    public function __construct(private RigList $list)
    {
    }

    /**
     * @param  list<string>  $ids  those that are gone from the shelf meanwhile are left out
     * @return array<string, array<string, mixed>> by id
     */
    public function of(Group $group, Meeting $meeting, array $ids): array
    {
        $shelf = $ids === [] ? null : $group->rigs();
        $rigs = [];
        foreach (array_unique($ids) as $id) {
            if ($shelf?->has($id) === true) {
                $rigs[$id] = $this->one($shelf->rig($id), $meeting);
            }
        }

        return $rigs;
    }

    /** @return array<string, mixed> */
    private function one(RigPack $rig, Meeting $meeting): array
    {
        $held = $rig->isGated() && RigGate::of($meeting, $rig->id) === null;

        return [
            'id' => $rig->id, 'name' => $rig->name, 'held' => $held, 'cautions' => $rig->cautions, 'knots' => $this->list->named($rig->knots()),
            'lists' => $held ? ['raise' => [], 'inspect' => [], 'strike' => []] : [
                'raise' => [...$rig->checks['before'], ...$rig->raise, ...$rig->checks['while']],
                'inspect' => $rig->checks['after'],
                'strike' => [...$rig->strike, 'Left behind: '.lcfirst($rig->leaves)],
            ],
        ];
    }
}
