<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A key that a group signs its badges with, or did.
 *
 * @property string $id
 * @property string $group_id
 * @property string $kid its thumbprint
 * @property string $alg
 * @property array<string, string> $public as a JSON Web Key
 * @property string $secret locked with the house's key
 * @property ?CarbonImmutable $retired_at since when another is used
 * @property CarbonImmutable $created_at
 */
final class GroupKey extends Row
{
    use HasUuids;

    protected $table = 'signing_keys';

    protected $hidden = ['secret'];

    protected function casts(): array
    {
        return ['public' => 'array', 'retired_at' => 'immutable_datetime'];
    }
}
