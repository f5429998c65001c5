<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Group;
use App\Models\Work;
use Illuminate\Contracts\Container\Container;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Str;
use Throwable;

/**
 * The wake-up call for a piece of work: it holds nothing but the work's id. Called in vain, it does nothing.
 */
final class DoWork implements ShouldQueue
{
    use Queueable;

    /** Seconds until work is looked at again that nobody knows how to do. */
    private const NOT_YET = 60;

    /** As often as it is taken up: whether there is anything to do stands in the work itself. */
    public int $tries = 0;

    public function __construct(public readonly string $work)
    {
    }

    public function handle(Container $container): void
    {
        $hold = Hold::take($this->work, (string) Str::uuid());
        if ($hold === null) {
            return;
        }
        $work = Work::query()->findOrFail($this->work);
        $kind = $this->kind($container, $work->kind);
        if ($kind === null) {
            // Written by a newer app than this worker's, which will come round to it.
            $hold->putOff('Nobody here does work of this kind yet.', $work->tries, self::NOT_YET);

            return;
        }
        try {
            do {
                $kind->do(Group::query()->findOrFail($work->group_id), $hold);
            } while (! $hold->finish());
        } catch (LostHold) {
            return;
        } catch (TryLater $later) {
            $this->putOff($hold, $kind, $work, $later->getMessage(), $later->seconds);
        } catch (Throwable $fault) {
            report($fault);
            $this->putOff($hold, $kind, $work, 'Something went wrong in this house; it is tried again.', 0);
        }
    }

    private function putOff(Hold $hold, LongWork $kind, Work $work, string $why, int $seconds): void
    {
        $tries = min($work->tries + 1, 1000);
        $wait = max($seconds, $kind->patience($tries));
        try {
            $hold->putOff($why, $tries, $wait);
        } catch (LostHold) {
            return;
        }
        self::dispatch($work->id)->delay($wait);
    }

    private function kind(Container $container, string $name): ?LongWork
    {
        foreach ($container->tagged(LongWork::class) as $kind) {
            if ($kind instanceof LongWork && $kind::kind() === $name) {
                return $kind;
            }
        }

        return null;
    }
}
