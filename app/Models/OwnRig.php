<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A rig that a group has made of its own, most often a copy of one there is.
 *
 * @property string $id
 * @property string $group_id
 * @property string $rig
 * @property string $origin the rig it was copied from
 * @property int $version
 * @property array<string, mixed> $pack
 * @property string $made_by
 */
final class OwnRig extends Row
{
    use HasUuids;

    protected $table = 'rig_packs';

    protected function casts(): array
    {
        return ['pack' => 'array', 'version' => 'integer'];
    }
}
