<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\EmailAddress;
use App\Models\User;
use Illuminate\Console\Command;

/**
 * Prints a one-time link that sets a new password, good for an hour. No mail is sent.
 */
final class MakeResetLink extends Command
{
    protected $signature = 'compadre:reset-password {email}';

    protected $description = 'Print a one-time link that sets a new password';

    public function handle(ResetPassword $reset): int
    {
        $given = $this->argument('email');
        $email = EmailAddress::plain(is_string($given) ? $given : '');
        $user = User::query()->where('email', $email)->first();
        if ($user === null) {
            $this->error("There is no account with the e-mail address '$email'. Accounts: ".(User::query()->whereNotNull('email')->orderBy('email')->pluck('email')->implode(', ') ?: 'none yet').'.');

            return self::FAILURE;
        }
        $this->line($reset->link($user));
        $this->line('Good once, for an hour.');

        return self::SUCCESS;
    }
}
