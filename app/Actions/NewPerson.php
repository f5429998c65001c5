<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Group;
use App\Models\Role;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

/**
 * Makes an account in a group. An e-mail address belongs to one account only.
 */
final class NewPerson
{
    public function __invoke(Group $group, Role $role, Fields $person): User
    {
        $email = mb_strtolower(trim($person->text('email')));
        if (User::query()->where('email', $email)->exists()) {
            throw Refusal::saying($person->place('email'), $email, 'an address without an account here', 'There is an account with this e-mail address already. Sign in with it, or use another address.');
        }

        return User::query()->create([
            'group_id' => $group->id, 'name' => trim($person->text('name')), 'email' => $email,
            'password' => $person->text('password'), 'role' => $role,
        ]);
    }
}
