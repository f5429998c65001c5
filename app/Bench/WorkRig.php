<?php

declare(strict_types=1);

namespace App\Bench;

use App\Knots\OwnMeasures;
use App\Knots\Packs;
use App\Models\Group;
use App\Models\Rope;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Formula\RopeAtWork;
use Compadre\Core\Rigs\Rigged;
use Compadre\Core\Rigs\Rigging;
use Compadre\Core\Rigs\RigPack;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Space\FormFile;

/**
 * Works a rig out with one of the group's ropes.
 */
final class WorkRig
{
    /** @var array<string, array<string, Calibration>> by group: one list of rigs is worked out with the same measures */
    private array $own = [];

    public function __construct(private readonly Library $library, private readonly Packs $packs, private readonly FormFile $forms, private readonly OwnMeasures $measures)
    {
    }

    /** @throws Refusal for a rope the group does not have */
    public function rope(Group $group, ?string $id): Rope
    {
        $ropes = $group->ropes()->get();
        $rope = $id === null ? $ropes->firstWhere('is_usual', true) ?? $ropes->firstOrFail() : $ropes->firstWhere('id', $id);

        return $rope instanceof Rope ? $rope : throw Refusal::of('/rope', $id, 'bench.rope');
    }

    /**
     * @param  array<string, string>  $knots  by place
     *
     * @throws Refusal for what cannot stand
     */
    public function of(Group $group, RigPack $rig, Fields $answers, Rope $rope, array $knots): Rigged
    {
        $work = new RopeAtWork(RopeInHand::of($rope->diameter_mm, $rope->material), $this->library, $this->packs->tails(), $this->packs->friction(), fn (KnotPack $knot): ?float => $this->forms->ropeInKnot($knot), $this->own[$group->id] ??= $this->measures->of($group));

        return Rigging::of($rig, $answers, $work, $knots);
    }
}
