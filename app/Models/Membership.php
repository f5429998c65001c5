<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That a person belongs to a group, in a role, and until when.
 *
 * @property string $id
 * @property string $user_id
 * @property string $group_id
 * @property Role $role
 * @property ?CarbonImmutable $until null: still
 * @property Group $group
 * @property User $user
 */
final class Membership extends Row
{
    use HasUuids;

    protected $table = 'memberships';

    protected function casts(): array
    {
        return ['role' => Role::class, 'until' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Group, $this> */
    public function group(): BelongsTo
    {
        return $this->belongsTo(Group::class);
    }
}
