<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\EmailAddress;
use App\Models\Group;
use App\Models\Role;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Makes an account, and its owner a member of a group. An e-mail address belongs to one account only.
 */
final class NewPerson
{
    public function __invoke(Group $group, Role $role, Fields $person): User
    {
        $email = EmailAddress::canonical($person->text('email'), $person->place('email'));
        $name = trim($person->text('name'));
        $password = NewPassword::from($person, [$name, $email, $group->name]);
        if (User::query()->where('email', $email)->exists()) {
            throw Refusal::saying($person->place('email'), $email, 'an address without an account here', 'There is an account with this e-mail address already. Sign in with it, or use another address.');
        }

        return DB::transaction(function () use ($group, $role, $email, $name, $password): User {
            $user = User::query()->create(['name' => $name, 'email' => $email, 'password' => $password]);
            $user->memberships()->create(['group_id' => $group->id, 'role' => $role]);

            return $user;
        });
    }
}
