<?php

declare(strict_types=1);

namespace App\House\People;

use App\Http\Tries;
use App\Models\EmailAddress;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\Hash;

/**
 * The account that somebody has in this house already, who proves it by its password. Tries are counted: asked outside of any transaction,
 * which would forget them again.
 */
final readonly class KnownAccount
{
    /** Tries at the password of one account, a minute. */
    private const TRIES = 5;

    public function __construct(private Tries $tries)
    {
    }

    /**
     * @param  string  $password  the field it is in
     * @return ?User null where there is none with this address
     *
     * @throws Refusal where the password is another, or there is none yet
     */
    public function prove(Fields $person, string $password = 'password'): ?User
    {
        $email = EmailAddress::canonical($person->text('email'), $person->place('email'));
        $known = User::query()->where('email', $email)->first();
        if ($known !== null && $known->password === null) {
            // Whoever came along without one is not whoever gives one now.
            throw Refusal::of($person->place('email'), $email, 'house.account_without_password');
        }
        if ($known !== null && ! $this->isRight($known, $person->text($password))) {
            throw Refusal::of($person->place('email'), $email, 'house.account_known');
        }

        return $known;
    }

    /** Whether it is the password that somebody signs in with; guessed at five times a minute at the most. */
    public function isRight(User $user, string $password): bool
    {
        $this->tries->take("password of $user->id", self::TRIES, 60);
        if (! Hash::check($password, (string) $user->password)) {
            return false;
        }
        $this->tries->giveBack("password of $user->id");

        return true;
    }
}
