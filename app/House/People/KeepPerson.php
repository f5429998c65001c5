<?php

declare(strict_types=1);

namespace App\House\People;

use App\Crew\GoneList;
use App\Models\Device;
use App\Models\Group;
use App\Models\Invitation;
use App\Models\Membership;
use App\Models\Remote;
use App\Models\Role;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Looks after the people of a group: what each may do, an end to it, and one's own password. A group is never without a lead.
 */
final readonly class KeepPerson
{
    public function __construct(private ResetPassword $reset, private KnownAccount $known)
    {
    }

    public function changeRole(Group $group, User $person, Role $role): void
    {
        DB::transaction(function () use ($group, $person, $role): void {
            $membership = $this->locked($group, $person);
            if ($role !== Role::Lead) {
                $this->holdAnotherLead($group, $membership, '/role', $role->value);
            }
            $membership->update(['role' => $role]);
        });
    }

    /**
     * Ends a person's access. The name stays, as credit for what they checked; what they could sign in with goes, and what they
     * had open with it.
     */
    public function endAccess(Group $group, User $person): void
    {
        DB::transaction(function () use ($group, $person): void {
            $membership = $this->locked($group, $person);
            $this->holdAnotherLead($group, $membership, '/person', $person->id);
            $membership->update(['until' => CarbonImmutable::now()]);
            if ($person->inForce()->doesntExist() && ! $person->hosts()) {
                self::forget($person);
            }
            Invitation::query()->where('group_id', $group->id)->where('created_by', $person->id)->whereNull('used_at')->delete();
        });
        GoneList::changed();
    }

    /** @throws Refusal where the present password is another */
    public function changePassword(User $person, Fields $asked): void
    {
        if (! $this->known->isRight($person, $asked->text('current'))) {
            throw Refusal::of('/current', null, 'house.present_password');
        }
        $this->reset->set($person, $asked);
    }

    private static function forget(User $person): void
    {
        DB::table('sessions')->where('user_id', $person->id)->delete();
        DB::table('resets')->where('user_id', $person->id)->delete();
        Remote::query()->where('user_id', $person->id)->delete();
        Device::query()->where('user_id', $person->id)->delete();
        $person->setRememberToken(null);
        $person->update(['email' => null, 'password' => null]);
    }

    /** Whoever changes the people of a group waits for whoever does so at the same time. */
    private function locked(Group $group, User $person): Membership
    {
        $group->takeTurns();

        return $group->memberships()->where('user_id', $person->id)->first() ?? throw Refusal::of('/person', $person->id, 'house.member');
    }

    private function holdAnotherLead(Group $group, Membership $membership, string $field, string $value): void
    {
        $others = $group->memberships()->where('role', Role::Lead)->where('id', '!=', $membership->id);
        if ($membership->role === Role::Lead && $others->doesntExist()) {
            throw Refusal::of($field, $value, 'house.only_lead');
        }
    }
}
