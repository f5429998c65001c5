<?php

declare(strict_types=1);

namespace App\House;

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
        if ($group !== null) {
            $this->line("It belongs to {$group->name}: sign in with your own e-mail and password.");
        } else {
            $code = SetUpCode::current();
            $this->line("It is empty. Set up your group with this code:  $code");
            $this->line('or open this address, which carries it:         '.config()->string('app.url')."/#code=$code");
        }

        // Whoever asks quietly wants to know just this.
        return $group === null && $this->output->isQuiet() ? self::FAILURE : self::SUCCESS;
    }
}
