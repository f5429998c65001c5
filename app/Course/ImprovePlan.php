<?php

declare(strict_types=1);

namespace App\Course;

use App\Models\Group;
use Compadre\Core\Refusal;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Support\Facades\Cache;

/**
 * Looks on for a better plan once somebody has been answered, for up to a minute or so, one group at a time. What it finds is kept beside the
 * plan that stands and offered; nothing that a leader accepted is changed.
 */
final readonly class ImprovePlan
{
    private const SECONDS = 150;

    public function __construct(private Plans $plans, private Application $app)
    {
    }

    /** Whether it is still looked for. */
    public function isToCome(TermPlan $plans): bool
    {
        return config()->boolean('app.improves') && $plans->improved() === null;
    }

    public function afterwards(Group $group): void
    {
        $this->app->terminating(fn () => $this->now($group));
    }

    public function now(Group $group): void
    {
        $lock = Cache::lock('improve-plan', self::SECONDS);
        if (! $lock->get()) {
            return;
        }
        $before = (int) ini_get('max_execution_time');
        set_time_limit(self::SECONDS);
        try {
            $this->plans->of($group)->improve();
        } catch (Refusal) {
            // Pins that cannot hold are told to whoever asks for the plan.
        } finally {
            $lock->release();
            // What this process does after it has as long as it had.
            set_time_limit($before);
        }
    }
}
