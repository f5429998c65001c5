<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Office\Passage;
use Compadre\Core\Awards\Office\Wish;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * How far an award has come on its way into the office's register. It holds nothing of whose award it is, and outlives it.
 *
 * @property string $id
 * @property string $group_id
 * @property string $office_id
 * @property string $award_id
 * @property Passage $passage
 * @property Wish $wish
 * @property bool $told whether the office knows of the wish
 * @property ?string $list the key of the list it was sent on
 * @property int $place on that list
 * @property ?string $receipt
 * @property ?string $requirement
 * @property ?string $reason
 * @property ?CarbonImmutable $answered_at
 * @property ?Award $award
 */
final class Submission extends Row
{
    use HasUuids;

    protected $table = 'submissions';

    protected function casts(): array
    {
        return ['passage' => Passage::class, 'wish' => Wish::class, 'told' => 'boolean', 'place' => 'integer', 'answered_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Award, $this> */
    public function award(): BelongsTo
    {
        return $this->belongsTo(Award::class);
    }
}
