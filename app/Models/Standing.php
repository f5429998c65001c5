<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Checking\Level;
use Illuminate\Database\Eloquent\Model;

/**
 * A derived row: where one learner stands with one knot. Rebuilt from check events at any time.
 *
 * @property string $learner_id
 * @property string $knot
 * @property string $group_id
 * @property ?Level $level
 * @property string $verdict
 * @property string $tying
 * @property string $dressing
 * @property string $tail
 * @property int $prompts
 * @property string $day
 * @property string $event_id
 * @property bool $two_leaders
 * @property ?string $has_it_since
 * @property ?string $kept_since
 * @property ?float $half_life_days
 * @property ?string $last_day
 */
final class Standing extends Model
{
    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'learner_id';

    protected $keyType = 'string';

    protected $guarded = [];

    protected function casts(): array
    {
        return ['level' => Level::class, 'prompts' => 'integer', 'two_leaders' => 'boolean', 'half_life_days' => 'float'];
    }
}
