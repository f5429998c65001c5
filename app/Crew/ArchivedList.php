<?php

declare(strict_types=1);

namespace App\Crew;

use App\Models\Group;
use App\Models\Learner;

/**
 * Those who do not come any more, and whose record is kept.
 */
final class ArchivedList
{
    /** @return list<array{id: string, name: string, age_band: string, hand: ?string}> */
    public static function of(Group $group): array
    {
        return array_values($group->archived()->get()->map(fn (Learner $learner): array => $learner->about())->all());
    }
}
