<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Work;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;

/**
 * That one worker, and no other, is at a piece of work: for as long as it says so.
 */
final readonly class Hold
{
    private function __construct(private string $work, private string $by)
    {
    }

    /** Takes hold of work that is due, or that was left; null where it is not, or another was faster. */
    public static function take(string $work, string $by): ?self
    {
        $now = CarbonImmutable::now();
        $taken = Work::query()->whereKey($work)->where(function ($due) use ($now): void {
            // A wake-up call knows whole seconds only.
            $due->where(fn ($waiting) => $waiting->where('state', 'waiting')->where('wake_at', '<=', $now->addSecond()))
                ->orWhere(fn ($left) => $left->where('state', 'running')->where('held_until', '<', $now));
        })->update(['state' => 'running', 'held_by' => $by, 'held_until' => self::until(), 'again' => false, 'done' => 0, 'of' => 0]);

        return $taken === 1 ? new self($work, $by) : null;
    }

    /**
     * How far it has come.
     *
     * @throws LostHold
     */
    public function at(int $done, int $of): void
    {
        $this->keep(['done' => $done, 'of' => $of, 'held_until' => self::until()]);
    }

    /**
     * Lets go of it as done; unless more came up meanwhile: then it is kept, to be begun anew.
     *
     * @throws LostHold
     */
    public function finish(): bool
    {
        if ($this->mine()->where('again', false)->update(['state' => 'done', 'held_by' => null, 'held_until' => null, 'trouble' => null, 'tries' => 0]) === 1) {
            return true;
        }
        $this->keep(['again' => false, 'held_until' => self::until()]);

        return false;
    }

    /**
     * Puts it off.
     *
     * @throws LostHold
     */
    public function putOff(string $why, int $tries, int $seconds): void
    {
        $this->keep(['state' => 'waiting', 'held_by' => null, 'held_until' => null, 'trouble' => mb_strimwidth($why, 0, 500, '…'), 'tries' => $tries, 'wake_at' => CarbonImmutable::now()->addSeconds($seconds)]);
    }

    /** @param  array<string, mixed>  $now */
    private function keep(array $now): void
    {
        // Where nothing changes, nothing is counted.
        if ($this->mine()->update($now) === 0 && $this->mine()->doesntExist()) {
            throw new LostHold;
        }
    }

    /** @return Builder<Work> */
    private function mine(): Builder
    {
        return Work::query()->whereKey($this->work)->where('held_by', $this->by);
    }

    private static function until(): CarbonImmutable
    {
        return CarbonImmutable::now()->addSeconds(config()->integer('app.work_lease'));
    }
}
