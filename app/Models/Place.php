<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * Room for one more group in a house of many: whoever has its code sets the group up, once.
 *
 * @property string $id
 * @property string $name whom it is for
 * @property string $code_hash
 * @property ?int $learners_most
 * @property ?int $people_most
 * @property CarbonImmutable $expires_at
 */
final class Place extends Row
{
    use HasUuids;
    use KeptAsHash;

    protected $table = 'places';

    protected $hidden = ['code_hash'];

    protected function casts(): array
    {
        return ['learners_most' => 'integer', 'people_most' => 'integer', 'expires_at' => 'immutable_datetime'];
    }

    /** @return Builder<Place> those that still wait for their group */
    public static function open(): Builder
    {
        $places = self::query();
        $places->where('expires_at', '>', CarbonImmutable::now())->orderBy('expires_at')->orderBy('id');

        return $places;
    }
}
