<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Checking\Memory;

/**
 * A standing as the three-strand mark shows it on a day.
 */
final class Marks
{
    /** @return array<string, mixed> */
    public static function of(Standing $standing, string $today): array
    {
        // A board has many of these: the row is read as it is, without the model's casts.
        /** @var array{level: ?string, verdict: string, tying: string, dressing: string, tail: string, prompts: int, day: string, two_leaders: int|bool, half_life_days: ?float, last_day: ?string} $row */
        $row = $standing->getAttributes();
        $memory = self::remembered($row['half_life_days'], $row['last_day']);
        $chance = $memory?->chance($today);
        $due = $chance !== null && $chance < Memory::DUE_BELOW;

        return [
            'level' => $row['level'], 'verdict' => $row['verdict'],
            'tying' => $row['tying'], 'dressing' => $row['dressing'], 'tail' => $row['tail'],
            'prompts' => (int) $row['prompts'], 'day' => $row['day'], 'due' => $due,
            'chance' => $chance === null ? null : round($chance, 3),
            'two_leaders' => (bool) $row['two_leaders'],
        ];
    }

    public static function memory(Standing $standing): ?Memory
    {
        return self::remembered($standing->half_life_days, $standing->last_day);
    }

    private static function remembered(?float $halfLife, ?string $lastDay): ?Memory
    {
        return $halfLife === null || $lastDay === null ? null : Memory::kept($halfLife, $lastDay);
    }
}
