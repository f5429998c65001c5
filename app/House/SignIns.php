<?php

declare(strict_types=1);

namespace App\House;

use App\Models\User;
use Database\Seeders\GullwickSeeder;
use Illuminate\Console\Command;

/**
 * Prints how to sign in to the demo.
 */
final class SignIns extends Command
{
    protected $signature = 'compadre:sign-ins';

    protected $description = 'How to sign in to the demo';

    public function handle(): int
    {
        if (config()->string('app.house') === 'group') {
            $this->error('Only the demo has sign-ins to print.');

            return self::FAILURE;
        }
        foreach (User::query()->has('membership')->with('membership')->orderBy('created_at')->orderBy('id')->get() as $user) {
            $this->line(sprintf('%-11s %-26s  password  %s', $user->role->value, $user->email, GullwickSeeder::password()));
        }

        return self::SUCCESS;
    }
}
