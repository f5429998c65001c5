<?php

declare(strict_types=1);

namespace App\Models;

/**
 * An id that once was a learner's: erased, or gone up in another entry.
 *
 * @property string $id
 * @property string $group_id
 * @property ?string $into_id the entry it went up in
 */
final class GoneLearner extends Row
{
    protected $table = 'gone_learners';

    public $incrementing = false;

    protected $keyType = 'string';

    /**
     * Where what is sent for these ids belongs now.
     *
     * @param  list<string>  $ids
     * @return array<string, ?string> by id, for those that are gone: the entry it went up in, or null where it was erased
     */
    public static function among(Group $group, array $ids): array
    {
        $gone = [];
        $asked = $ids;
        while ($asked !== []) {
            // Read as it is now, not as it was when the transaction began: whoever locks learners next must see what was done meanwhile.
            $found = self::query()->where('group_id', $group->id)->whereIn('id', $asked)->sharedLock()->pluck('into_id', 'id')->all();
            $gone += $found;
            // Merged twice: the entry it went up in went up in another.
            $asked = array_values(array_diff(array_filter($found), array_keys($gone)));
        }
        $last = static function (string $id) use ($gone): ?string {
            while (isset($gone[$id])) {
                $id = $gone[$id];
            }

            return array_key_exists($id, $gone) ? null : $id;
        };

        return array_map($last, array_combine($known = array_values(array_intersect($ids, array_keys($gone))), $known));
    }
}
