<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property string $id
 * @property string $group_id
 * @property string $created_by
 * @property Role $role
 * @property string $token_hash
 * @property CarbonImmutable $expires_at
 * @property ?CarbonImmutable $used_at
 * @property Group $group
 */
final class Invitation extends Row
{
    use HasUuids;
    use KeptAsHash;

    protected $table = 'invitations';

    protected function casts(): array
    {
        return ['role' => Role::class, 'expires_at' => 'immutable_datetime', 'used_at' => 'immutable_datetime'];
    }

    /** @return Builder<Invitation> a group's links that nobody has used yet */
    public static function openOf(Group $group): Builder
    {
        $links = self::query();
        $links->where('group_id', $group->id)->whereNull('used_at');

        return $links;
    }

    /** @return BelongsTo<Group, $this> */
    public function group(): BelongsTo
    {
        return $this->belongsTo(Group::class);
    }

    public function open(): bool
    {
        return $this->used_at === null && $this->expires_at->isFuture();
    }
}
