<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use Illuminate\Console\Command;

/**
 * Writes the group of this house into a zip that another house takes in.
 */
final class WriteCommand extends Command
{
    protected $signature = 'compadre:along {file : the zip to be written} {--lock : a password comes on standard input; the keys that sign come along} {--leave : the group moves: here it is only looked at from now on}';

    protected $description = 'Write all that the group has into one zip';

    public function handle(WriteGroup $write, LeaveHouse $leave): int
    {
        $groups = Group::query()->get();
        if ($groups->count() !== 1) {
            $this->error($groups->isEmpty() ? 'There is no group here yet.' : 'There is more than one group here.');

            return self::FAILURE;
        }
        $file = $this->argument('file');
        $password = $this->option('lock') === true ? trim((string) fgets(STDIN)) : null;
        if ($password === '') {
            $this->error('A password is at least one sign long. Nothing was written.');

            return self::FAILURE;
        }
        $group = $groups->firstOrFail();
        $this->option('leave') !== true || $leave($group, true);
        $write($group, is_string($file) ? $file : '', $password);
        $this->line($password === null ? 'The keys that sign badges stayed here: a zip that is locked takes them along.' : 'The keys that sign badges are in it.');

        return self::SUCCESS;
    }
}
