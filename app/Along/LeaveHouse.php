<?php

declare(strict_types=1);

namespace App\Along;

use App\Awards\Office\RunErrand;
use App\Models\Group;
use App\Work\StartWork;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * A group that moves leaves a house behind in which it is only looked at; where it stays after all, it is written in again.
 */
final readonly class LeaveHouse
{
    public function __construct(private StartWork $start)
    {
    }

    public function __invoke(Group $group, bool $leaves): void
    {
        DB::transaction(function () use ($group, $leaves): void {
            // Waits for whoever is writing: nothing is written once this is done.
            $now = Group::query()->lockForUpdate()->findOrFail($group->id);
            if (($now->left_at !== null) === $leaves) {
                return;
            }
            $now->update(['left_at' => $leaves ? CarbonImmutable::now() : null]);
            if (! $leaves) {
                // What an office was not told meanwhile.
                ($this->start)($group, RunErrand::class);
            }
        });
        $group->refresh();
    }
}
