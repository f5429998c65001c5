<?php

declare(strict_types=1);

namespace App\House\People;

use App\Http\NoGroup;
use App\Models\Device;
use App\Models\User;
use Compadre\Core\Refusal;

/**
 * Opens another group on a device, for somebody who belongs to several.
 */
final class ChooseGroup
{
    /** @throws Refusal for a group that is not theirs */
    public function __invoke(User $user, Device $device, string $group): void
    {
        $membership = $user->inForce()->with('group')->where('group_id', $group)->first();
        if ($membership === null) {
            throw Refusal::of('/group', $group, 'house.group');
        }
        NoGroup::holdOpen($membership->group);
        $device->choose($user, $membership);
    }
}
