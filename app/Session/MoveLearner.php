<?php

declare(strict_types=1);

namespace App\Session;

use App\Models\Learner;
use App\Models\Meeting;
use App\Models\Turn;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Moves a learner to another station of a block that runs or waits. The plan is as it was: only this evening is another.
 */
final class MoveLearner
{
    /** @param  ?string  $to  the knot of one of the block's stations; null: to none of them */
    public function __invoke(Meeting $meeting, int $place, Learner $learner, ?string $to): void
    {
        DB::transaction(function () use ($meeting, $place, $learner, $to): void {
            Turn::at('meetings', $meeting->id);
            $run = $meeting->blocks()->where('position', $place)->first();
            if ($run === null || ! in_array($run->state, ['waiting', 'running'], true)) {
                throw Refusal::of('/place', $place, 'session.block_open');
            }
            $stations = $run->each();
            $knots = array_column($stations, 'knot');
            if ($to !== null && ! in_array($to, $knots, true)) {
                throw Refusal::of('/to', $to, 'session.block_knots', ['knots' => array_values(array_filter($knots, is_string(...)))]);
            }
            $at = $to === null ? null : array_search($to, $knots, true);
            foreach ($stations as $number => $station) {
                $stations[$number]['helpers'] = self::without($station['helpers'] ?? [], $learner->id);
                $stations[$number]['learners'] = [...self::without($station['learners'] ?? [], $learner->id), ...($number === $at ? [$learner->id] : [])];
            }
            $run->update(['stations' => array_shift($stations) + ['beside' => $stations]]);
        });
    }

    /** @return list<string> */
    private static function without(mixed $ids, string $id): array
    {
        return array_values(array_filter(is_array($ids) ? $ids : [], static fn (mixed $one): bool => is_string($one) && $one !== $id));
    }
}
