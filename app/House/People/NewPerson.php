<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\EmailAddress;
use App\Models\Group;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Makes somebody a member of a group: with a new account, or with the one they have in this house already. An e-mail address belongs to one
 * account only.
 */
final class NewPerson
{
    /**
     * @param  ?User  $known  who has proven to have an account here; null: it is made
     *
     * @throws Refusal
     */
    public function __invoke(Group $group, Role $role, Fields $person, ?User $known): Membership
    {
        return DB::transaction(function () use ($group, $role, $person, $known): Membership {
            // Two who join at once take turns: the limit counts both.
            $group->takeTurns();
            $user = $known ?? self::account($group, $person);
            $before = $user->memberships()->where('group_id', $group->id)->first();
            if ($before !== null && $before->until === null) {
                throw Refusal::of($person->place('email'), $user->email, 'house.belongs', ['group' => $group->name]);
            }
            $group->limits()->holdPeople($group->memberships()->count(), 1);
            $membership = $before ?? $user->memberships()->make(['group_id' => $group->id]);
            $membership->fill(['role' => $role, 'until' => null])->save();

            return $membership;
        });
    }

    private static function account(Group $group, Fields $person): User
    {
        $email = EmailAddress::canonical($person->text('email'), $person->place('email'));
        $name = trim($person->text('name'));
        $password = NewPassword::from($person, [$name, $email, $group->name]);

        return User::query()->create(['name' => $name, 'email' => $email, 'password' => $password])->refresh();
    }
}
