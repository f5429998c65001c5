<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\Crypt;

/**
 * Lets learners into the practice corner: the group's card, or one learner's own. It ends when it is deleted, and by itself.
 *
 * @property string $id
 * @property string $group_id
 * @property ?string $learner_id
 * @property ?string $code kept so that it can be printed again, locked with the house's key; null where another house's key locked it
 * @property string $hand left or right
 * @property string $ends_on the last day it is good, as 2026-11-24
 * @property bool $hints whether days that are practised are told to the leaders
 * @property Group $group
 * @property ?Learner $learner
 */
final class PracticeCard extends Row
{
    use HasUuids;
    use KeptAsHash;

    protected $table = 'practice_cards';

    protected function casts(): array
    {
        return ['hints' => 'boolean'];
    }

    /**
     * A backup that was put back in another house brings cards that still open the corner there, but whose codes nobody can read.
     *
     * @return Attribute<?string, string>
     */
    protected function code(): Attribute
    {
        return Attribute::make(
            get: static function (string $locked): ?string {
                try {
                    return Crypt::decryptString($locked);
                } catch (DecryptException) {
                    return null;
                }
            },
            set: static fn (string $code): string => Crypt::encryptString($code),
        );
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
