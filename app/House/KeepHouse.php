<?php

declare(strict_types=1);

namespace App\House;

use App\Models\Group;
use App\Models\MeetingRig;
use App\Models\Rope;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\TailSchool;
use DateTimeZone;
use Illuminate\Support\Facades\DB;

/**
 * A group's own ways: its name and units, its schools and how it plans, its ropes.
 */
final readonly class KeepHouse
{
    public function __construct(private Library $library)
    {
    }

    public function change(Group $group, Fields $change): void
    {
        $about = [
            'name' => trim($change->text('name', $group->name)), 'units' => $change->text('units', $group->units), 'words' => $change->text('words', $group->words), 'time_zone' => $change->text('time_zone', $group->time_zone),
            'tail_school' => TailSchool::from($change->text('tail_school', $group->tail_school->value)), 'backup' => $change->flag('backup', $group->backup),
            'old_share' => $change->number('old_share', $group->old_share),
            'new_knots' => array_key_exists('new_knots', $change->raw()) ? $change->wholeOrNull('new_knots') : $group->new_knots,
        ];
        if (! in_array($about['time_zone'], DateTimeZone::listIdentifiers(), true)) {
            throw Refusal::of('/time_zone', $about['time_zone'], 'house.time_zone');
        }
        $group->update($about + ($change->has('methods') ? ['methods' => $this->methods($change->object('methods'))] : []));
    }

    public function rope(Group $group, ?Rope $rope, Fields $about): Rope
    {
        return DB::transaction(function () use ($group, $rope, $about): Rope {
            $is = ['name' => trim($about->text('name')), 'diameter_mm' => $about->number('diameter_mm'), 'material' => Material::from($about->text('material')), 'is_usual' => $about->flag('is_usual') || $group->ropes()->count() === 0 || $rope?->is_usual === true];
            if ($is['is_usual']) {
                $group->ropes()->update(['is_usual' => false]);
            }
            if ($rope === null) {
                return $group->ropes()->create($is)->refresh();
            }
            $rope->update($is);

            return $rope->refresh();
        });
    }

    public function removeRope(Group $group, Rope $rope): void
    {
        if ($rope->is_usual) {
            throw Refusal::of('/rope', $rope->name, 'house.usual_rope');
        }
        $rigs = MeetingRig::query()->where('rope_id', $rope->id)->count();
        if ($rigs > 0) {
            throw Refusal::of('/rope', $rope->name, 'house.rope_in_use', ['rigs' => $rigs]);
        }
        $rope->delete();
    }

    /** @return array<string, string> the house method by knot, first methods left out */
    private function methods(Fields $chosen): array
    {
        $methods = [];
        foreach (array_keys($chosen->raw()) as $id) {
            $knot = $this->library->knot((string) $id, $chosen->place((string) $id));
            $method = $chosen->text((string) $id);
            if (! in_array($method, $knot->methodIds(), true)) {
                throw Refusal::of($chosen->place((string) $id), $method, 'any.one_of', ['list' => $knot->methodIds()]);
            }
            if ($method !== $knot->methods[0]->id) {
                $methods[$knot->id] = $method;
            }
        }

        return $methods;
    }
}
