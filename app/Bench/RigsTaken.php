<?php

declare(strict_types=1);

namespace App\Bench;

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
    public function __construct(private RigShelf $shelf, private WorkRig $work)
    {
    }

    /** @return list<array{id: string, rig: string, name: string, rope: Rope, cut: list<array{length: int, count: int}>, fault: ?string}> */
    public function of(Meeting $meeting): array
    {
        return array_values(MeetingRig::query()->where('meeting_id', $meeting->id)->with('rope')->orderBy('rig')->get()->map($this->one(...))->all());
    }

    /** @return array{id: string, rig: string, name: string, rope: Rope, cut: list<array{length: int, count: int}>, fault: ?string} */
    private function one(MeetingRig $taken): array
    {
        $about = ['id' => $taken->id, 'rig' => $taken->rig, 'name' => $this->shelf->has($taken->rig) ? $this->shelf->rig($taken->rig)->name : $taken->rig, 'rope' => $taken->rope];
        try {
            $cut = $this->work->of($this->shelf->rig($taken->rig), Fields::of($taken->answers, '/answers'), $taken->rope, $taken->knots)->cut;
        } catch (Refusal $refusal) {
            return $about + ['cut' => [], 'fault' => $refusal->getMessage()];
        }

        return $about + ['cut' => array_map(static fn (array $piece): array => ['length' => (int) $piece['length_mm'], 'count' => $piece['count']], $cut), 'fault' => null];
    }
}
