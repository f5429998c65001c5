<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Compadre\Core\Refusal;
use Database\Seeders\GullwickTerm;

/**
 * Signs a person in by e-mail and password. Which of the two was wrong is not told.
 */
final class SignIn
{
    /** The demo's accounts, whose password anyone near the demo knows, open nothing on a network. */
    public function refuseDemo(string $email): void
    {
        if (in_array(mb_strtolower(trim($email)), array_column(GullwickTerm::LEADERS, 1), true)) {
            throw Refusal::saying('/email', $email, 'an account of your own group', 'This account belongs to the demo. On the network, sign in with an account of your own group.');
        }
    }

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
