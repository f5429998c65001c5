<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * A requirement that is no knot, ticked off for a learner.
 *
 * @property ?string $group_id null where an app of before wrote it
 * @property string $learner_id
 * @property string $note
 * @property string $ticked_by
 * @property CarbonImmutable $created_at
 */
final class BadgeTick extends Model
{
    use KeyedByColumns;

    protected $guarded = [];

    public static function keyColumns(): array
    {
        return ['learner_id', 'note'];
    }
}
