<?php

declare(strict_types=1);

namespace App\Along;

use Compadre\Core\Refusal;
use Illuminate\Console\Command;

/**
 * Takes a group in from a zip: first to say what it would do, and with --yes to do it.
 */
final class TakeCommand extends Command
{
    protected $signature = 'compadre:take {file : the zip} {--locked : its password comes on standard input} {--replace : the group that is here gives way to it} {--yes : do it}';

    protected $description = 'Take a group in from a zip that another house has written';

    public function handle(TakeGroup $take): int
    {
        $file = $this->argument('file');
        try {
            $zip = ReadZip::open(is_string($file) ? $file : '', $this->option('locked') === true ? trim((string) fgets(STDIN)) : null);
            $taken = $take($zip, $this->option('replace') === true, $this->option('yes') === true);
        } catch (Refusal $no) {
            $this->error($no->getMessage());

            return self::FAILURE;
        }
        $this->say($taken);
        if ($this->option('yes') === true) {
            $leads = implode(', ', array_column($taken->leads, 'email'));
            $this->line("$taken->name is here. People come without their passwords: ./compadre reset-password ADDRESS prints a link that sets a new one. Leads: $leads.");
        }

        return self::SUCCESS;
    }

    private function say(TakenIn $taken): void
    {
        $this->line($taken->replaces ? "$taken->name, which is here already, gives way to what is in the file:" : "$taken->name, which is not here yet:");
        foreach ($taken->tables as $table => $count) {
            if (array_sum($count) > 0) {
                $this->line(sprintf('  %-18s %6d new  %6d changed  %6d gone  %6d as they are', str_replace('_', ' ', $table), $count['new'], $count['other'], $count['gone'], $count['same']));
            }
        }
        if ($taken->replaces) {
            foreach ($taken->rows as $row) {
                $this->line('  '.['new' => '+', 'other' => '~', 'gone' => '-'][$row['what']]." {$row['name']} ({$row['table']})");
            }
        }
        $this->line($taken->hasKeys ? 'Its keys that sign badges come along.' : 'Its keys that sign badges stay where they are: badges of before are known here, and can be taken back only where the keys are.');
        $this->line('Practice cards, calendar addresses and the secret of an award office stay where they are: make them anew.');
    }
}
