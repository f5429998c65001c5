<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\MarkWords;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;

/**
 * A standing as the three-strand mark shows it on a day.
 */
final class Marks
{
    /** @var array<string, string> words of marks that look the same, by what they look like */
    private static array $words = [];

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
            'words' => self::$words["{$row['level']} {$row['verdict']} {$row['tying']} {$row['dressing']} {$row['tail']} {$row['prompts']} $due"] ??= MarkWords::of(
                $row['level'] === null ? null : Level::from($row['level']), Verdict::from($row['verdict']), Seen::from($row['tying']), Seen::from($row['dressing']),
                Seen::from($row['tail']), (int) $row['prompts'], $due,
            ),
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
