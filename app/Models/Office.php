<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A register that a group's awards are told to, or were.
 *
 * @property string $id
 * @property string $group_id
 * @property string $address as https://register.example
 * @property string $client who the group is there
 * @property ?string $secret locked with the house's key; null once it was left
 * @property ?string $token locked with the house's key
 * @property ?CarbonImmutable $token_until
 * @property ?CarbonImmutable $left_at
 */
final class Office extends Row
{
    use HasUuids;

    protected $table = 'offices';

    protected $hidden = ['secret', 'token'];

    protected function casts(): array
    {
        return ['token_until' => 'immutable_datetime', 'left_at' => 'immutable_datetime'];
    }

    /** The one that a group's awards are told to now. */
    public static function of(Group $group): ?self
    {
        return self::query()->where('group_id', $group->id)->whereNull('left_at')->first();
    }

    /** @return HasMany<Submission, $this> */
    public function submissions(): HasMany
    {
        return $this->hasMany(Submission::class);
    }
}
