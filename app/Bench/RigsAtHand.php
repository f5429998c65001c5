<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\Group;
use App\Models\MeetingRig;
use App\Models\Stamped;
use Compadre\Core\Rigs\Pack\MemberPlan;
use Compadre\Core\Rigs\Pack\Place;
use Compadre\Core\Rigs\Pack\PlaceKnot;
use Compadre\Core\Rigs\RigPack;
use Compadre\Core\Teaching\PlanRig;

/**
 * The rigs as the course needs them: how long, of which knots and what else, and which were chosen for which meeting. Read from their
 * packs once, until one changes.
 */
final readonly class RigsAtHand
{
    private const SECONDS = 30 * 86400;

    /** Kinds of members that a meeting can be without. */
    private const OBJECTS = ['pole', 'peg'];

    /** @return array<string, PlanRig> by id */
    public function of(Group $group): array
    {
        $shelf = $group->rigs();

        return Stamped::of("rigs-$group->id", $shelf->stamp().config()->string('app.planner'), self::SECONDS, static fn (): array => array_map(self::plan(...), $shelf->all()));
    }

    /** @return array<string, list<string>> rigs by the meeting they were chosen for */
    public function chosen(Group $group): array
    {
        $chosen = [];
        foreach (MeetingRig::query()->where('group_id', $group->id)->orderBy('created_at')->orderBy('rig')->get(['meeting_id', 'rig']) as $one) {
            $chosen[$one->meeting_id][] = $one->rig;
        }

        return $chosen;
    }

    private static function plan(RigPack $rig): PlanRig
    {
        $kinds = array_map(static fn (MemberPlan $member): string => $member->kind, $rig->members);

        return new PlanRig(
            $rig->id, $rig->name, $rig->minutes, array_values(array_map(static fn (Place $place): array => array_map(static fn (PlaceKnot $knot): string => $knot->knot, $place->knots), $rig->places)),
            array_values(array_intersect(self::OBJECTS, $kinds)), $rig->ageFrom, ! $rig->isGated(),
        );
    }
}
