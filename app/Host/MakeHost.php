<?php

declare(strict_types=1);

namespace App\Host;

use App\House\People\ResetPassword;
use App\Models\EmailAddress;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Refusal;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Lets somebody host this house, or no longer: only whoever sits at the machine can.
 */
final class MakeHost extends Command
{
    protected $signature = 'compadre:host {email} {name? : of somebody who has no account here} {--end : they host it no longer}';

    protected $description = 'Say who hosts this house of many groups';

    public function handle(ResetPassword $reset): int
    {
        if (config()->string('app.house') === 'demo') {
            $this->error('The demo has one group, and no host.');

            return self::FAILURE;
        }
        [$given, $name] = [$this->argument('email'), $this->argument('name')];
        try {
            $email = EmailAddress::canonical(is_string($given) ? $given : '');
        } catch (Refusal $no) {
            $this->error($no->getMessage());

            return self::FAILURE;
        }
        $user = User::query()->where('email', $email)->first();
        if ($this->option('end') === true) {
            return $this->end($user, $email);
        }
        if ($user === null && (! is_string($name) || trim($name) === '')) {
            $this->error("There is no account with the e-mail address '$email': say the name, too, and one is made.");

            return self::FAILURE;
        }
        if ($user === null && filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $this->error("'$email' is no e-mail address.");

            return self::FAILURE;
        }
        $user = DB::transaction(static function () use ($user, $email, $name): User {
            $user ??= User::query()->create(['name' => trim((string) $name), 'email' => $email])->refresh();
            DB::table('hosts')->insertOrIgnore(['user_id' => $user->id, 'created_at' => CarbonImmutable::now(), 'updated_at' => CarbonImmutable::now()]);

            return $user;
        });
        $this->line("$user->name hosts this house: signed in, they make room for groups, and see counts, never a learner.");
        if ($user->password === null) {
            $this->line('Set a password by this link, good once, for an hour:');
            $this->line($reset->link($user));
        }

        return self::SUCCESS;
    }

    private function end(?User $user, string $email): int
    {
        if ($user === null || DB::table('hosts')->where('user_id', $user->id)->delete() === 0) {
            $this->error("Nobody with the e-mail address '$email' hosts this house.");

            return self::FAILURE;
        }
        $this->line("$user->name hosts this house no longer.");

        return self::SUCCESS;
    }
}
