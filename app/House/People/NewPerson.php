<?php

declare(strict_types=1);

namespace App\House\People;

use App\Http\Tries;
use App\Models\EmailAddress;
use App\Models\Group;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/**
 * Makes somebody a member of a group: with a new account, or with the one they have in this house already, which they prove by its password.
 * An e-mail address belongs to one account only.
 */
final readonly class NewPerson
{
    /** Tries at the password of an account that is there already, a minute. */
    private const TRIES = 5;

    public function __construct(private Tries $tries)
    {
    }

    /** @throws Refusal */
    public function __invoke(Group $group, Role $role, Fields $person): User
    {
        $email = EmailAddress::canonical($person->text('email'), $person->place('email'));
        $known = User::query()->where('email', $email)->first();
        if ($known !== null) {
            $this->prove($known, $person);
        }

        return DB::transaction(function () use ($group, $role, $email, $known, $person): User {
            $user = $known ?? self::account($group, $email, $person);
            // Two who join at once take turns: the limit counts both.
            Group::query()->whereKey($group->id)->lockForUpdate()->first();
            $before = $user->memberships()->where('group_id', $group->id)->first();
            if ($before !== null && $before->until === null) {
                throw Refusal::saying($person->place('email'), $email, 'somebody who does not belong to it yet', "You belong to $group->name already: sign in.");
            }
            $group->limits()->holdPeople(Membership::query()->where('group_id', $group->id)->whereNull('until')->count(), 1);
            $before === null ? $user->memberships()->create(['group_id' => $group->id, 'role' => $role]) : $before->update(['role' => $role, 'until' => null]);

            return $user;
        });
    }

    private static function account(Group $group, string $email, Fields $person): User
    {
        $name = trim($person->text('name'));

        return User::query()->create(['name' => $name, 'email' => $email, 'password' => NewPassword::from($person, [$name, $email, $group->name])]);
    }

    private function prove(User $known, Fields $person): void
    {
        $this->tries->take("password of $known->id", self::TRIES, 60);
        if (! Hash::check($person->text('password'), (string) $known->password)) {
            throw Refusal::saying($person->place('email'), $known->email, 'an address without an account here, or its password', 'There is an account with this e-mail address already. If it is yours, give the password you sign in with: it then opens both groups. Or use another address.');
        }
        $this->tries->giveBack("password of $known->id");
    }
}
