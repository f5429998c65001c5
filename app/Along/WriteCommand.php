<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use Illuminate\Console\Command;
use Illuminate\Database\Eloquent\Builder;

/**
 * Writes the group of this house, or one of several, into a zip that another house takes in.
 */
final class WriteCommand extends Command
{
    protected $signature = 'compadre:along {file : the zip to be written} {--lock : a password comes on standard input; the keys that sign come along} {--group= : its name, where there are several} {--leave : the group moves: here it is only looked at from now on}';

    protected $description = 'Write all that the group has into one zip';

    public function handle(WriteGroup $write, LeaveHouse $leave): int
    {
        $named = $this->option('group');
        $groups = Group::query()->when(is_string($named), static fn (Builder $all): Builder => $all->where('name', $named))->orderBy('name')->get();
        if ($groups->count() !== 1) {
            $all = implode(', ', Group::query()->orderBy('name')->pluck('name')->all());
            $this->error($all === '' ? 'There is no group here yet.' : "Say which group it is, with --group=NAME; here are: $all.");

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
