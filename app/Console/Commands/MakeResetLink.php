<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\Password;

/**
 * Prints a one-time link that sets a new password, good for an hour. No mail is sent.
 */
final class MakeResetLink extends Command
{
    protected $signature = 'compadre:reset-password {email}';

    protected $description = 'Print a one-time link that sets a new password';

    public function handle(): int
    {
        $email = $this->argument('email');
        $user = User::query()->where('email', mb_strtolower(trim($email)))->first();
        if ($user === null) {
            $this->error("There is no account with the e-mail address '$email'. Accounts: ".(User::query()->orderBy('email')->pluck('email')->implode(', ') ?: 'none yet').'.');

            return self::FAILURE;
        }
        $this->line(config()->string('app.url').'/reset/'.Password::broker()->createToken($user).'?email='.urlencode($user->email));
        $this->line('Good once, for an hour.');

        return self::SUCCESS;
    }
}
