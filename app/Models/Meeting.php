<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property string $id
 * @property string $group_id
 * @property string $date as 2026-11-24
 * @property string $starts_at as 18:30
 * @property int $minutes
 * @property int $checkers
 * @property ?string $place
 * @property ?list<string> $objects what there is to tie to; null: all that is needed
 * @property ?list<string> $bans knots and families of knots that are not for this meeting
 * @property ?CarbonImmutable $started_at
 * @property ?CarbonImmutable $ended_at
 * @property ?CarbonImmutable $cancelled_at
 * @property Collection<int, BlockRun> $blocks
 * @property int $sequence how often it was changed, for calendars
 */
final class Meeting extends Row
{
    use HasUuids;

    protected $table = 'meetings';

    protected function casts(): array
    {
        return ['minutes' => 'integer', 'checkers' => 'integer', 'sequence' => 'integer', 'objects' => 'array', 'bans' => 'array', 'started_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime', 'cancelled_at' => 'immutable_datetime'];
    }

    /** @return HasMany<Attendance, $this> */
    public function attendances(): HasMany
    {
        return $this->hasMany(Attendance::class);
    }

    /** @return HasMany<BlockRun, $this> */
    public function blocks(): HasMany
    {
        $relation = $this->hasMany(BlockRun::class);
        $relation->orderBy('position');

        return $relation;
    }

    /** @return array<string, mixed> what is shown of it wherever it is named */
    public function about(): array
    {
        return [
            'id' => $this->id, 'date' => $this->date, 'starts_at' => $this->starts_at, 'minutes' => $this->minutes,
            'checkers' => $this->checkers, 'place' => $this->place, 'objects' => $this->objects, 'bans' => $this->bans ?? [],
        ];
    }

    /** Whether lessons can still be planned into it. */
    public function isAhead(string $today): bool
    {
        return $this->date >= $today && $this->ended_at === null && $this->cancelled_at === null;
    }
}
