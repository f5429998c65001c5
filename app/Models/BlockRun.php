<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A block of a meeting under way: as planned when it began, and what became of it.
 *
 * @property string $id
 * @property ?string $group_id null where an app of before wrote it
 * @property string $meeting_id
 * @property int $position
 * @property string $kind
 * @property ?string $knot
 * @property array<string, mixed> $stations the planned block with the stations beside it
 * @property float $planned minutes
 * @property string $state waiting, running, done, skipped or carried
 * @property ?CarbonImmutable $started_at
 * @property ?CarbonImmutable $ended_at
 */
final class BlockRun extends Row
{
    use HasUuids;

    protected $table = 'block_runs';

    protected function casts(): array
    {
        return ['stations' => 'array', 'planned' => 'float', 'position' => 'integer', 'started_at' => 'immutable_datetime', 'ended_at' => 'immutable_datetime'];
    }

    /** The minutes planned without the group's own factor: what it is measured against. */
    public function byRule(): float
    {
        [$rule, $minutes] = [$this->stations['by_rule'] ?? null, $this->stations['minutes'] ?? null];

        return is_numeric($rule) && is_numeric($minutes) && $minutes > 0 ? $this->planned * $rule / $minutes : $this->planned;
    }

    /** @return list<array<mixed>> the stations beside it; those that were written down before stations had helpers have none */
    public function besides(): array
    {
        $beside = $this->stations['beside'] ?? [];

        return array_map(static fn (array $one): array => array_diff_key($one, ['teacher' => true]) + ['helpers' => isset($one['teacher']) ? [$one['teacher']] : [], 'checkers' => 1, 'by_rule' => $one['minutes'] ?? 0], array_values(array_filter(is_array($beside) ? $beside : [], is_array(...))));
    }

    /** @return non-empty-list<array<mixed>> every station of it: itself, and those beside it */
    public function each(): array
    {
        return [array_diff_key($this->stations, ['beside' => true]), ...$this->besides()];
    }

    public function minutesTaken(CarbonImmutable $now): float
    {
        return $this->started_at === null ? 0.0 : $this->started_at->diffInSeconds($this->ended_at ?? $now) / 60;
    }
}
