<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $group_id
 * @property string $date as 2026-11-24
 * @property string $starts_at as 18:30
 * @property int $minutes
 * @property int $checkers
 * @property ?string $place
 */
final class Meeting extends Model
{
    use HasUuids;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['minutes' => 'integer', 'checkers' => 'integer'];
    }

    /** @return HasMany<Attendance, $this> */
    public function attendances(): HasMany
    {
        return $this->hasMany(Attendance::class);
    }
}
