<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Teaching\Patrols;
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
 * @property ?string $patrol whom they go with; where no learner is in it any more, that is nobody
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

    /**
     * @param  list<string>  $patrols  that somebody is in
     * @return list<array{id: string, name: string, patrol: ?string}> leaders and helpers by name, with the patrol they go with
     */
    public static function withPatrols(Group $group, array $patrols): array
    {
        $people = $group->memberships()->with('user')->get()->sortBy(static fn (self $one): string => $one->user->name);

        return array_values($people->map(static fn (self $one): array => ['id' => $one->user_id, 'name' => $one->user->name, 'patrol' => Patrols::among($one->patrol, $patrols)])->all());
    }
}
