<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A learner under way to a badge, in the version they began with.
 *
 * @property ?string $group_id null where an app of before wrote it
 * @property string $learner_id
 * @property string $badge
 * @property int $version
 */
final class Pursuit extends Model
{
    use KeyedByColumns;

    protected $guarded = [];

    public static function keyColumns(): array
    {
        return ['learner_id', 'badge'];
    }
}
