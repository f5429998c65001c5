<?php

declare(strict_types=1);

namespace App\Models;

/**
 * A learner under way to a badge, in the version they began with.
 *
 * @property ?string $group_id null where an app of before wrote it
 * @property string $learner_id
 * @property string $badge
 * @property int $version
 */
final class Pursuit extends Row
{
    use KeyedByColumns;

    protected $table = 'pursuits';

    public static function keyColumns(): array
    {
        return ['learner_id', 'badge'];
    }
}
