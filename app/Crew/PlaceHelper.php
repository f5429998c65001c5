<?php

declare(strict_types=1);

namespace App\Crew;

use App\Models\Group;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Patrols;

/**
 * Says which patrol a leader or helper goes with: its stations are theirs where nobody else has said to lead them.
 */
final readonly class PlaceHelper
{
    /** @throws Refusal for whoever does not belong to the group, and for a patrol that nobody is in */
    public function __invoke(Group $group, Fields $asked): void
    {
        $person = strtolower($asked->text('person'));
        $membership = $group->memberships()->where('user_id', $person)->first() ?? throw Refusal::of('/person', $person, 'house.member');
        $named = $asked->textOrNull('patrol');
        $patrol = Patrols::among($named, array_values($group->learners()->whereNotNull('patrol')->distinct()->pluck('patrol')->all()));
        if ($named !== null && $patrol === null) {
            throw Refusal::of('/patrol', $named, 'crew.patrol');
        }
        $membership->update(['patrol' => $patrol]);
    }
}
