<?php

declare(strict_types=1);

namespace App\House;

use App\Course\AddMeeting;
use App\Crew\AddLearners;
use App\House\Badges\KeepBadge;
use App\House\People\KnownAccount;
use App\House\People\NewPerson;
use App\Http\Words;
use App\Models\Group;
use App\Models\Membership;
use App\Models\Role;
use App\Models\User;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Teaching\BadgePack;
use Compadre\Core\Teaching\BadgeShelf;
use DateTimeZone;

/**
 * The first visit of an empty house: a group, its first leader, learners, rope, badges and meetings, all or nothing.
 */
final readonly class SetUpGroup
{
    public function __construct(
        private NewPerson $newPerson,
        private KnownAccount $known,
        private AddLearners $addLearners,
        private AddMeeting $addMeeting,
        private BadgeShelf $badges,
        private KeepBadge $keepBadge,
    ) {
    }

    /** @return Membership who leads it */
    public function __invoke(Fields $set, bool $fromNetwork): Membership
    {
        return EmptyHouse::take($set->text('code'), $fromNetwork, fn (): ?User => $this->known->prove($set->object('leader')), fn (?User $known): Membership => $this->write($set, $known));
    }

    private function write(Fields $set, ?User $known): Membership
    {
        $about = $set->object('group');
        if ($about->whole('age_from') > $about->whole('age_to')) {
            throw Refusal::of('/group/age_to', $about->whole('age_to'), 'house.age_to', ['from' => $about->whole('age_from')]);
        }
        if (! in_array($about->text('time_zone'), DateTimeZone::listIdentifiers(), true)) {
            throw Refusal::of('/group/time_zone', $about->text('time_zone'), 'house.time_zone');
        }
        $group = Group::query()->create([
            'name' => trim($about->text('name')), 'time_zone' => $about->text('time_zone'), 'units' => $about->text('units'),
            'age_from' => $about->whole('age_from'), 'age_to' => $about->whole('age_to'),
        ])->refresh();
        $lead = ($this->newPerson)($group, Role::Lead, $set->object('leader'), $known);
        // Whoever leads another group already has this one open now.
        $leader = $lead->user;
        $leader->choose($lead);
        $rope = $set->object('rope');
        $group->ropes()->create([
            'name' => trim($rope->text('name')), 'diameter_mm' => $rope->number('diameter_mm'),
            'material' => Material::from($rope->text('material')), 'is_usual' => true,
        ]);
        $this->meetings($group, $set->object('meetings'));
        $this->badges($group, $set);
        $this->ownBadges($group, $leader, $set);
        ($this->addLearners)($group, $set->objects('learners'));

        return $lead;
    }

    private function meetings(Group $group, Fields $meetings): void
    {
        $before = '';
        foreach ($meetings->texts('dates') as $index => $date) {
            if ($date <= $before) {
                throw Refusal::of("/meetings/dates/$index", $date, 'house.date_after', ['before' => $before]);
            }
            $before = $date;
            $this->addMeeting->write($group, $date, $meetings->text('starts_at'), $meetings->whole('minutes'), $meetings->whole('checkers'), null, "/meetings/dates/$index");
        }
    }

    /** Badges made by ticking knots, worked toward at once. */
    private function ownBadges(Group $group, User $leader, Fields $set): void
    {
        foreach ($set->objects('own_badges') as $index => $own) {
            $knots = $own->texts('knots');
            try {
                $pack = BadgePack::ofTicked(trim($own->text('name')), $knots === [] ? throw Refusal::of('/knots', $knots, 'knots.some_knot') : $knots, $own->wholeOrNull('any'), $group->age_from, $group->age_to, array_keys($group->shelf()->all()), Words::asked());
                $this->keepBadge->choose($group, $this->keepBadge->save($leader, $pack)->id, $own->textOrNull('due_on'));
            } catch (Refusal $fault) {
                throw $fault->below("/own_badges/$index");
            }
        }
    }

    private function badges(Group $group, Fields $set): void
    {
        if ($set->objects('badges') === [] && $set->objects('own_badges') === []) {
            throw Refusal::of('/badges', [], 'house.no_badge');
        }
        $first = $set->object('meetings')->texts('dates')[0];
        $seen = [];
        foreach ($set->objects('badges') as $index => $chosen) {
            $badge = $this->badges->badge($chosen->text('badge'), "/badges/$index/badge");
            $due = $chosen->textOrNull('due_on');
            if ($due !== null && $due < $first) {
                throw Refusal::of("/badges/$index/due_on", $due, 'house.due_from', ['first' => $first]);
            }
            if (in_array($badge->id, $seen, true)) {
                throw Refusal::of("/badges/$index/badge", $badge->id, 'house.badge_once');
            }
            $seen[] = $badge->id;
            $group->badges()->create(['badge' => $badge->id, 'due_on' => $due]);
        }
    }
}
