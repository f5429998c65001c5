<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;

/**
 * A requirement that is no knot, ticked off for a learner.
 *
 * @property ?string $group_id null where an app of before wrote it
 * @property string $learner_id
 * @property string $note
 * @property string $ticked_by
 * @property CarbonImmutable $created_at
 */
final class BadgeTick extends Row
{
    use KeyedByColumns;

    protected $table = 'badge_ticks';

    public static function keyColumns(): array
    {
        return ['learner_id', 'note'];
    }
}
