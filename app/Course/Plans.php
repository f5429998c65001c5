<?php

declare(strict_types=1);

namespace App\Course;

use App\Bench\RigsAtHand;
use App\Models\Group;
use App\Models\GroupState;
use App\Models\Meeting;
use Compadre\Core\Knots\Library;
use Illuminate\Database\Eloquent\Collection;

/**
 * The way to a group's plan, for every room that needs it.
 */
final readonly class Plans
{
    public function __construct(private Library $library, private RigsAtHand $rigs)
    {
    }

    public function of(Group $group): TermPlan
    {
        return $this->with(GroupState::of($group), $group, $group->term()->get());
    }

    /** @param  Collection<int, Meeting>  $meetings */
    public function with(GroupState $state, Group $group, Collection $meetings): TermPlan
    {
        return TermPlan::of($state, $group, $meetings, $this->library, $this->rigs);
    }
}
