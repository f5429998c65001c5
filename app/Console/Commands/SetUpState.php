<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Group;
use Illuminate\Console\Command;

/**
 * Says whether the real house still waits for its first visit.
 */
final class SetUpState extends Command
{
    protected $signature = 'compadre:setup-state';

    protected $description = 'Whether a group has been set up';

    public function handle(): int
    {
        $group = Group::query()->first();
        $this->line($group === null
            ? 'It is empty: open the address and set up your group.'
            : "It belongs to {$group->name}: sign in with your own e-mail and password.");

        return self::SUCCESS;
    }
}
