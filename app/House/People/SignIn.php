<?php

declare(strict_types=1);

namespace App\House\People;

use App\Http\Tries;
use App\Models\EmailAddress;
use App\Models\User;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\Hash;

/**
 * Knows a person by e-mail and password. Which of the two was wrong is neither told nor to be read off the time it takes.
 */
final readonly class SignIn
{
    /** Tries at one account: from devices that nobody has signed in to it on, wherever they are, and from each that somebody has. */
    private const A_MINUTE = 5;

    private const AN_HOUR = 30;

    /** Tries from one address, at whatever accounts. */
    private const FROM_ONE_ADDRESS = 30;

    public function __construct(private Tries $tries)
    {
    }

    /** The demo's accounts, whose password anyone near the demo knows, open nothing on a network. */
    public function refuseDemo(string $email): void
    {
        if (in_array(EmailAddress::plain($email), config()->array('app.demo_accounts'), true)) {
            throw Refusal::of('/email', $email, 'house.demo_account');
        }
    }

    /**
     * @param  string  $from  the network address that asks
     * @param  ?string  $device  a word of the device's own, where the account was signed in to on it before
     *
     * @throws Refusal
     */
    public function __invoke(string $email, string $password, string $from, ?string $device): User
    {
        $this->tries->take("sign-in from $from", self::FROM_ONE_ADDRESS, 60);
        $account = 'sign-in '.EmailAddress::skeleton($email).' '.($device ?? 'from anywhere');
        $this->tries->take("$account a minute", self::A_MINUTE, 60);
        $this->tries->take("$account an hour", self::AN_HOUR, 3600);
        $user = User::query()->where('email', EmailAddress::plain($email))->first();
        // Without an account the same work is done on a password that nobody has.
        $isRight = Hash::check($password, $user->password ?? self::nobodys());
        if ($user === null || ! $isRight || $user->membership === null && ! $user->hosts()) {
            throw Refusal::of('/email', $email, 'house.no_match');
        }
        $this->tries->giveBack("$account a minute");
        $this->tries->giveBack("$account an hour");
        if (Hash::needsRehash((string) $user->password)) {
            $user->update(['password' => $password]);
        }

        return $user;
    }

    /** A hash that takes as long to check as any here, and fits no password. */
    private static function nobodys(): string
    {
        return sprintf('$2y$%02d$', (int) config('hashing.bcrypt.rounds', 12)).str_repeat('.', 22).str_repeat('/', 31);
    }
}
