<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Compadre\Core\Refusal;

/**
 * Signs a person in by e-mail and password. Which of the two was wrong is not told.
 */
final class SignIn
{
    public function __invoke(string $email, string $password): User
    {
        $guard = Doorkeeper::guard();
        if (! $guard->attempt(['email' => mb_strtolower(trim($email)), 'password' => $password], true)) {
            throw Refusal::saying('/email', $email, 'an e-mail address and password that belong together', 'This e-mail address and password do not belong together.');
        }

        /** @var User */
        return $guard->user();
    }
}
