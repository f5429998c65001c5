<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Words;
use App\Models\Group;
use App\Models\Meeting;
use App\Models\MeetingRig;
use App\Models\Rope;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\RigShelf;

/**
 * The rigs whose rope is on a meeting's list. What can no longer be worked out, since its pack changed, is left out of the sums and said so.
 */
final readonly class RigsTaken
{
    public function __construct(private WorkRig $work)
    {
    }

    /** @return list<array{id: string, rig: string, name: string, rope: Rope, cut: list<array{length: int, count: int}>, fault: ?string}> */
    public function of(Group $group, Meeting $meeting): array
    {
        $shelf = $group->rigs();

        return array_values(MeetingRig::query()->where('meeting_id', $meeting->id)->with('rope')->orderBy('rig')->get()->map(fn (MeetingRig $taken): array => $this->one($group, $shelf, $taken))->all());
    }

    /** @return array{id: string, rig: string, name: string, rope: Rope, cut: list<array{length: int, count: int}>, fault: ?string} */
    private function one(Group $group, RigShelf $shelf, MeetingRig $taken): array
    {
        $about = ['id' => $taken->id, 'rig' => $taken->rig, 'name' => $shelf->has($taken->rig) ? $shelf->rig($taken->rig)->name : $taken->rig, 'rope' => $taken->rope];
        try {
            $cut = $this->work->of($group, $shelf->rig($taken->rig), Fields::of($taken->answers, '/answers'), $taken->rope, $taken->knots)->cut;
        } catch (Refusal $refusal) {
            return $about + ['cut' => [], 'fault' => $refusal->messageIn(Words::asked())];
        }

        return $about + ['cut' => array_map(static fn (array $piece): array => ['length' => (int) $piece['length_mm'], 'count' => $piece['count']], $cut), 'fault' => null];
    }
}
