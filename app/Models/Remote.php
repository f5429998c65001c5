<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;

/**
 * A room's screen that a phone may step through and turn: a knot, a step and a side, and nothing else.
 *
 * @property string $id
 * @property string $user_id
 * @property string $code_hash
 * @property ?string $token_hash
 * @property CarbonImmutable $code_until
 * @property CarbonImmutable $ends_at
 * @property int $tries
 * @property string $knot
 * @property int $step
 * @property int $steps
 * @property int $turn
 * @property ?int $yaw degrees, as the pitch is; null as long as no phone has turned it
 * @property ?int $pitch
 */
final class Remote extends Row
{
    use HasUuids;
    use KeptAsHash;

    protected $table = 'remotes';

    protected function casts(): array
    {
        return ['code_until' => 'immutable_datetime', 'ends_at' => 'immutable_datetime'];
    }

    public function isTaken(): bool
    {
        return $this->token_hash !== null;
    }

    /** @return array{id: string, knot: string, step: int, steps: int, turn: int, taken: bool, side: ?array{yaw: int, pitch: int}} */
    public function state(): array
    {
        return ['id' => $this->id, 'knot' => $this->knot, 'step' => $this->step, 'steps' => $this->steps, 'turn' => $this->turn, 'taken' => $this->isTaken(), 'side' => $this->yaw === null || $this->pitch === null ? null : ['yaw' => $this->yaw, 'pitch' => $this->pitch]];
    }
}
