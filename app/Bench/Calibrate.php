<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Words;
use App\Knots\KnotNames;
use App\Knots\KnotView;
use App\Knots\OwnMeasures;
use App\Models\Group;
use App\Models\Measure;
use App\Models\Rope;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\RopeUse;

/**
 * Mark, tie, untie, measure: how much rope a knot takes in this group's hands, used from then on wherever rope is reckoned.
 */
final readonly class Calibrate
{
    /** Of one knot the latest count; hands and ropes change. */
    private const MOST = 40;

    public function __construct(private Library $library, private KnotNames $names, private KnotView $knots, private OwnMeasures $measures, private WorkRig $work)
    {
    }

    /** @return array<string, mixed> the knots that can be measured, and what was */
    public function board(Group $group): array
    {
        $own = $this->measures->of($group);
        $measures = $group->measures()->get()->groupBy('knot');
        $knots = [];
        foreach ($this->library->all() as $id => $knot) {
            if ($knot->isForAll() && $knot->isTaught() && $knot->lashing === null && $knot->ropeFactor > 0) {
                $turns = $this->knots->turns($id, null);
                $knots[] = [
                    'id' => $id, 'name' => $this->names->of($id), 'turns' => $turns === [] ? 0 : $turns[0]['turns'], 'loop' => $knot->family === Family::Loop,
                    'start' => $knot->ropeFactor, 'estimate' => isset($own[$id]) ? round($own[$id]->factor, 2) : null, 'sure' => Words::asked()->say(($own[$id] ?? Calibration::of($knot, []))->sure()),
                    'measures' => array_values(($measures[$id] ?? collect())->map(fn (Measure $one): array => $this->about($one))->all()),
                ];
            }
        }

        return ['knots' => $knots, 'ropes' => array_values($group->ropes()->get()->map(static fn (Rope $one): array => $one->about())->all()), 'object_mm' => (int) RopeUse::STAVE];
    }

    /** @param  Fields  $asked  knot, rope, measured_mm; turns and object_mm, loop_mm */
    public function add(User $by, Fields $asked): void
    {
        $group = $by->group;
        $knot = $this->library->forLearners($asked->text('knot'), '/knot');
        $rope = $this->work->rope($group, $asked->textOrNull('rope'))->inHandFor($knot);
        $measure = new Measure([
            'group_id' => $group->id, 'knot' => $knot->id, 'diameter_mm' => $rope->diameter, 'material' => $rope->material, 'measured_mm' => $asked->number('measured_mm'),
            'turns' => $asked->number('turns', 0.0), 'object_mm' => $asked->number('object_mm', 0.0), 'loop_mm' => $asked->number('loop_mm', 0.0), 'made_by' => $by->id,
        ]);
        // Refused before it is kept, where no such knot can take so much.
        $measure->factor($knot);
        $measure->save();
        $latest = $group->measures()->where('knot', $knot->id)->limit(self::MOST)->pluck('id');
        Measure::query()->where('group_id', $group->id)->where('knot', $knot->id)->whereNotIn('id', $latest)->delete();
    }

    public function remove(Group $group, string $measure): void
    {
        $group->measures()->whereKey($measure)->firstOrFail()->delete();
    }

    /** @return array<string, mixed> */
    private function about(Measure $one): array
    {
        return ['id' => $one->id, 'day' => $one->created_at->toDateString(), 'diameter_mm' => $one->diameter_mm, 'material' => $one->material->value, 'measured_mm' => $one->measured_mm];
    }
}
