<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A badge the group works toward.
 *
 * @property string $id
 * @property string $group_id
 * @property string $badge a badge pack's id
 * @property ?string $due_on as 2026-11-24
 * @property bool $firm whether what is met after that date does not count
 */
final class GroupBadge extends Row
{
    use HasUuids;

    protected $table = 'group_badges';

    protected function casts(): array
    {
        return ['firm' => 'boolean'];
    }
}
