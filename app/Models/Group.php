<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Compadre\Core\Rope\TailSchool;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $name
 * @property string $time_zone
 * @property string $units mm or inches
 * @property int $age_from
 * @property int $age_to
 * @property TailSchool $tail_school
 * @property bool $backup
 */
final class Group extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['backup' => 'boolean', 'age_from' => 'integer', 'age_to' => 'integer', 'tail_school' => TailSchool::class];
    }

    /** @return HasMany<Learner, $this> */
    public function learners(): HasMany
    {
        return $this->hasMany(Learner::class)->whereNull('archived_at')->orderBy('name')->orderBy('id');
    }

    /** @return HasMany<Meeting, $this> */
    public function meetings(): HasMany
    {
        return $this->hasMany(Meeting::class)->orderBy('date')->orderBy('starts_at');
    }

    /** @return HasMany<Rope, $this> */
    public function ropes(): HasMany
    {
        return $this->hasMany(Rope::class)->orderByDesc('is_usual')->orderBy('name');
    }

    /** @return HasMany<GroupBadge, $this> */
    public function badges(): HasMany
    {
        return $this->hasMany(GroupBadge::class)->orderBy('due_on')->orderBy('badge');
    }

    /** @return HasMany<User, $this> */
    public function people(): HasMany
    {
        return $this->hasMany(User::class)->orderBy('name');
    }

    /** Today's date where the group meets. */
    public function today(): string
    {
        return CarbonImmutable::now($this->time_zone)->format('Y-m-d');
    }
}
