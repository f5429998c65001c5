<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * That a named adult has ticked every line of a rig's gate for a meeting.
 *
 * @property string $id
 * @property string $group_id
 * @property string $meeting_id
 * @property string $user_id who noted it
 * @property string $rig
 * @property int $version of the rig's pack
 * @property string $adult the name of whoever looked
 * @property list<string> $lines as they stood
 * @property CarbonImmutable $ticked_at
 * @property User $user
 */
final class RigGate extends Row
{
    use HasUuids;

    protected $table = 'rig_gates';

    protected function casts(): array
    {
        return ['lines' => 'array', 'ticked_at' => 'immutable_datetime', 'version' => 'integer'];
    }

    public static function of(Meeting $meeting, string $rig): ?self
    {
        return self::query()->with('user')->where('meeting_id', $meeting->id)->where('rig', $rig)->first();
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return array{adult: string, by: string, at: string} */
    public function about(): array
    {
        return ['adult' => $this->adult, 'by' => $this->user()->firstOrFail()->name, 'at' => $this->ticked_at->toIso8601ZuluString()];
    }
}
