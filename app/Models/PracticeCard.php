<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * Lets learners into the practice corner: the group's card, or one learner's own. It ends when it is deleted, and by itself.
 *
 * @property string $id
 * @property string $group_id
 * @property ?string $learner_id
 * @property string $code kept so that it can be printed again, locked with the house's key
 * @property string $hand left or right
 * @property string $ends_on the last day it is good, as 2026-11-24
 * @property bool $hints whether days that are practised are told to the leaders
 * @property Group $group
 * @property ?Learner $learner
 */
final class PracticeCard extends Model
{
    use HasUuids;
    use KeptAsHash;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['code' => 'encrypted', 'hints' => 'boolean'];
    }

    /** @return BelongsTo<Group, $this> */
    public function group(): BelongsTo
    {
        return $this->belongsTo(Group::class);
    }

    /** @return BelongsTo<Learner, $this> */
    public function learner(): BelongsTo
    {
        return $this->belongsTo(Learner::class);
    }
}
