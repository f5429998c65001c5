<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\User;
use Illuminate\Auth\Passwords\PasswordBroker;
use Illuminate\Auth\Passwords\PasswordBrokerManager;
use Illuminate\Console\Command;

/**
 * Prints a one-time link that sets a new password, good for an hour. No mail is sent.
 */
final class MakeResetLink extends Command
{
    protected $signature = 'compadre:reset-password {email}';

    protected $description = 'Print a one-time link that sets a new password';

    public function handle(PasswordBrokerManager $brokers): int
    {
        $given = $this->argument('email');
        $email = is_string($given) ? $given : '';
        $user = User::query()->where('email', mb_strtolower(trim($email)))->first();
        if ($user === null) {
            $this->error("There is no account with the e-mail address '$email'. Accounts: ".(User::query()->orderBy('email')->pluck('email')->implode(', ') ?: 'none yet').'.');

            return self::FAILURE;
        }
        $broker = $brokers->broker();
        $token = $broker instanceof PasswordBroker ? $broker->createToken($user) : '';
        $this->line(config()->string('app.url').'/reset/'.$token.'?email='.urlencode($user->email));
        $this->line('Good once, for an hour.');

        return self::SUCCESS;
    }
}
