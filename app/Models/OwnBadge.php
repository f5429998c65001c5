<?php

declare(strict_types=1);

namespace App\Models;

use Compadre\Core\Data\Fields;
use Compadre\Core\Teaching\BadgePack;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A version of a badge that a group has made of its own.
 *
 * @property string $id
 * @property string $group_id
 * @property string $badge
 * @property int $version
 * @property array<string, mixed> $pack
 * @property string $made_by
 */
final class OwnBadge extends Row
{
    use HasUuids;

    protected $table = 'badge_packs';

    protected function casts(): array
    {
        return ['pack' => 'array', 'version' => 'integer'];
    }

    public function read(): BadgePack
    {
        return BadgePack::from(Fields::of($this->pack));
    }
}
