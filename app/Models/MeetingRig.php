<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A rig whose rope is on a meeting's list, with the answers it was worked out by.
 *
 * @property string $id
 * @property string $group_id
 * @property string $meeting_id
 * @property string $rig
 * @property int $version of the rig's pack
 * @property string $rope_id
 * @property array<string, mixed> $answers
 * @property array<string, string> $knots by place
 * @property Rope $rope
 */
final class MeetingRig extends Row
{
    use HasUuids;

    protected $table = 'meeting_rigs';

    protected function casts(): array
    {
        return ['answers' => 'array', 'knots' => 'array', 'version' => 'integer'];
    }

    /** @return BelongsTo<Rope, $this> */
    public function rope(): BelongsTo
    {
        return $this->belongsTo(Rope::class);
    }
}
