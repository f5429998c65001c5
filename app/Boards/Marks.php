<?php

declare(strict_types=1);

namespace App\Boards;

use App\Models\Standing;
use Compadre\Core\Checking\MarkWords;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;

/**
 * A standing as the three-strand mark shows it on a day.
 */
final class Marks
{
    /** @return array<string, mixed> */
    public static function of(Standing $standing, string $today): array
    {
        $memory = self::memory($standing);
        $due = $memory?->due($today) ?? false;

        return [
            'level' => $standing->level?->value, 'verdict' => $standing->verdict,
            'tying' => $standing->tying, 'dressing' => $standing->dressing, 'tail' => $standing->tail,
            'prompts' => $standing->prompts, 'day' => $standing->day, 'due' => $due,
            'chance' => $memory === null ? null : round($memory->chance($today), 3),
            'two_leaders' => $standing->two_leaders,
            'words' => MarkWords::of(
                $standing->level, Verdict::from($standing->verdict), Seen::from($standing->tying), Seen::from($standing->dressing),
                Seen::from($standing->tail), $standing->prompts, $due,
            ),
        ];
    }

    public static function memory(Standing $standing): ?Memory
    {
        return $standing->half_life_days === null || $standing->last_day === null ? null : Memory::kept($standing->half_life_days, $standing->last_day);
    }
}
