<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Group;
use App\Models\Work;
use Carbon\CarbonImmutable;

/**
 * How a group's work of a kind goes.
 */
final class WorkView
{
    /** @return ?array{state: string, done: int, of: int, trouble: ?string, next: ?string} what is open, else what was done last */
    public static function last(Group $group, string $kind): ?array
    {
        $work = Work::query()->where('group_id', $group->id)->where('kind', $kind)->orderByRaw('open is null')->orderByDesc('id')->first();

        return $work === null ? null : [
            'state' => $work->state, 'done' => $work->done, 'of' => $work->of, 'trouble' => $work->trouble,
            'next' => $work->state === 'waiting' && $work->wake_at->isAfter(CarbonImmutable::now()) ? $work->wake_at->toIso8601ZuluString() : null,
        ];
    }
}
