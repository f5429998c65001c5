<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;

/**
 * A day on which a learner says to have practised a knot: a hint for leaders, never a check.
 *
 * @property string $learner_id
 * @property string $knot
 * @property string $day as 2026-11-24
 * @property string $group_id
 * @property string $felt easy, thought or hard
 */
final class PracticeDay extends Row
{
    use KeyedByColumns;

    public $timestamps = false;

    protected $table = 'practice_days';

    /** @return list<array{knot: string, day: string, felt: string}> so many, or all; the newest first */
    public static function lastOf(Learner $learner, ?int $most = 30): array
    {
        $query = self::query();
        $query->where('learner_id', $learner->id)->orderByDesc('day')->orderBy('knot');
        if ($most !== null) {
            $query->limit($most);
        }

        return array_values($query->get()->map(static fn (self $one): array => ['knot' => $one->knot, 'day' => $one->day, 'felt' => $one->felt])->all());
    }

    /**
     * @param  Collection<int, Learner>  $learners
     * @return array<string, array<string, string>> by learner and knot, the last day of each
     */
    public static function lastDays(Collection $learners): array
    {
        $days = [];
        foreach (self::query()->whereIn('learner_id', $learners->modelKeys())->groupBy('learner_id', 'knot')->selectRaw('learner_id, knot, max(day) as day')->get() as $one) {
            $days[$one->learner_id][$one->knot] = $one->day;
        }

        return $days;
    }

    public static function keyColumns(): array
    {
        return ['learner_id', 'knot', 'day'];
    }
}
