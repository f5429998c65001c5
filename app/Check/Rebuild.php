<?php

declare(strict_types=1);

namespace App\Check;

use App\Models\Group;
use Illuminate\Console\Command;

/**
 * Derives every standing anew from the check events.
 */
final class Rebuild extends Command
{
    protected $signature = 'compadre:rebuild';

    protected $description = 'Derive all standings anew from the check events';

    public function handle(DeriveStandings $derive): int
    {
        foreach (Group::query()->get() as $group) {
            $derive->rebuild($group);
            $this->line("Standings of {$group->name} derived anew.");
        }

        return self::SUCCESS;
    }
}
