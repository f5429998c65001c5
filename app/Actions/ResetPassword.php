<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Password;
use Illuminate\Support\Str;

/**
 * Sets a new password by a one-time link, and signs out every device of that person.
 */
final class ResetPassword
{
    public function __invoke(string $email, string $token, string $password): void
    {
        $credentials = ['email' => mb_strtolower(trim($email)), 'token' => $token, 'password' => $password];
        $status = Password::broker()->reset($credentials, function (User $user, string $password): void {
            $user->forceFill(['password' => $password, 'remember_token' => Str::random(60)])->save();
            DB::table('sessions')->where('user_id', $user->id)->delete();
        });
        if ($status !== Password::PASSWORD_RESET) {
            throw Refusal::saying('/email', $email, 'the address this link was made for, within an hour, once', 'This link does not fit that address, was used, or is more than an hour old. Ask for a new one.');
        }
    }
}
