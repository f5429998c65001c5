<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Teaching\PlanRig;

/**
 * Plays a plan through, meeting by meeting, and holds it to every rule.
 */
final readonly class Replay
{
    public Clock $clock;

    /** @var array<int, true> knots that somebody is to help with, and all that comes before them */
    public array $helped;

    public function __construct(public Course $course)
    {
        $this->clock = new Clock($course);
        $helped = [];
        foreach ($course->targets as $target) {
            $knots = $target->deed === Deed::Help ? [$target->knot] : [];
            while ($knots !== []) {
                $knot = array_pop($knots);
                $helped[$knot] = true;
                array_push($knots, ...$course->before[$knot]);
            }
        }
        $this->helped = $helped;
    }

    /** @return list<int> rigs that a leader has chosen for the meeting */
    public function chosen(int $meeting): array
    {
        return array_keys(array_filter($this->course->rigs, fn (PlanRig $rig): bool => in_array($rig->id, $this->course->meetings[$meeting]->rigs, true)));
    }

    /**
     * @param  list<Program>  $plan  by meeting
     * @return ?Outcome null where a rule is broken
     */
    public function of(array $plan): ?Outcome
    {
        $standing = new Standing($this->course);
        $hours = $moved = [];
        foreach ($plan as $meeting => $program) {
            $hour = $this->meeting($standing, $meeting, $program);
            if ($hour === null) {
                return null;
            }
            $hours[] = $hour;
            $moved[] = 0;
        }
        foreach ($this->course->pins as $pin) {
            if (! $this->holds($plan[$pin['meeting']], $pin)) {
                return null;
            }
        }

        return new Outcome($this->course, $standing, $hours, $this->moved($plan, $moved));
    }

    /**
     * Plays one meeting and leaves the standing as it is after it.
     *
     * @return ?Hour null where a rule is broken
     */
    public function meeting(Standing $standing, int $meeting, Program $program): ?Hour
    {
        $hour = $this->hour($standing, $meeting, $program);
        if ($hour === null || ! $hour->fits()) {
            return null;
        }
        $standing->begin();
        foreach ($program->rounds as $round) {
            if (! $this->mayBe($standing, $meeting, $round)) {
                return null;
            }
            $standing->teach($round, $meeting);
        }
        $standing->close($program, $meeting);

        return $hour;
    }

    /**
     * @param  Standing  $standing  before the meeting
     * @param  ?float  $floor  what is kept for old knots, where that has been reckoned
     * @return ?Hour null where old knots or rigs may not be there
     */
    public function hour(Standing $standing, int $meeting, Program $program, ?float $floor = null): ?Hour
    {
        $old = $blocks = $rounds = 0.0;
        foreach ($program->old as $knot) {
            $having = $standing->having($knot, $meeting);
            if ($having === [] || ! $this->course->may[$knot][$meeting]) {
                return null;
            }
            $old += $this->clock->old(count($having), $meeting);
        }
        foreach ($program->rigs as $rig) {
            if (! $this->course->mayRaise[$rig][$meeting]) {
                return null;
            }
            $blocks += $this->course->rigs[$rig]->minutes;
        }
        foreach ($program->rounds as $round) {
            $rounds += $this->clock->round($round);
        }
        $floor ??= $this->clock->floor($standing, $meeting);

        return new Hour($this->course->room[$meeting], $rounds, $this->clock->tries($standing, $meeting, $floor, $program->rounds), $blocks, $old, $floor);
    }

    /** @param  non-empty-list<Station>  $round */
    public function mayBe(Standing $standing, int $meeting, array $round): bool
    {
        $checkers = 0;
        $people = $knots = [];
        foreach ($round as $station) {
            $checkers += $station->checkers;
            $knots[] = $station->knot;
            $patrol = null;
            foreach ($station->people() as $person) {
                $of = $this->course->learners[$person]->patrol;
                if (isset($people[$person]) || ! $this->course->isHere[$meeting][$person] || $of !== null && $patrol !== null && $of !== $patrol) {
                    return false;
                }
                $people[$person] = true;
                $patrol ??= $of;
            }
            if ($station->checkers < 1 || ! $this->mayLearn($standing, $meeting, $station)) {
                return false;
            }
        }

        return $checkers <= $this->course->meetings[$meeting]->checkers && $this->course->hasObjectsFor($knots, $meeting);
    }

    private function mayLearn(Standing $standing, int $meeting, Station $station): bool
    {
        if (! $this->course->may[$station->knot][$meeting]) {
            return false;
        }
        foreach ($station->helpers as $helper) {
            if (! $standing->has($helper, $station->knot)) {
                return false;
            }
        }
        foreach ($station->learners as $learner) {
            if (! $this->isReady($standing, $meeting, $learner, $station->knot) || ! $standing->mayMeet($learner, $station->knot)
                || $station->helpers === [] && ! $this->isWanted($learner, $station->knot)) {
                return false;
            }
        }

        return true;
    }

    /** Whether the learner lacks the knot, has what comes before it, and no pin forbids it here. */
    public function isReady(Standing $standing, int $meeting, int $learner, int $knot): bool
    {
        if ($standing->has($learner, $knot) || isset($this->course->never[$learner][$knot]) || ($this->course->pinned[$learner][$knot] ?? 0) > $meeting) {
            return false;
        }
        foreach ($this->course->before[$knot] as $first) {
            if (! $standing->has($learner, $first)) {
                return false;
            }
        }

        return true;
    }

    public function isWanted(int $learner, int $knot): bool
    {
        return isset($this->course->needs[$learner][$knot]) || isset($this->course->pinned[$learner][$knot]);
    }

    /** @param  ?list<int>  $learners */
    private function isThere(Program $program, int $knot, ?array $learners): bool
    {
        $found = [];
        foreach ($program->rounds as $round) {
            foreach ($round as $station) {
                if ($station->knot === $knot) {
                    array_push($found, ...$station->learners);
                }
            }
        }

        return $learners === null ? $found !== [] : array_diff($learners, $found) === [];
    }

    /**
     * @param  list<Program>  $plan
     * @param  list<int>  $moved
     * @return list<int> promises moved, by the meeting they were for
     */
    private function moved(array $plan, array $moved): array
    {
        foreach ($this->course->promises as $promise) {
            $moved[$promise['meeting']] += $this->keeps($plan[$promise['meeting']], $promise) ? 0 : 1;
        }

        return array_values($moved);
    }

    /** @param  array{knot: int, learners: ?list<int>, ...}  $pin */
    public function holds(Program $program, array $pin): bool
    {
        return $this->isThere($program, $pin['knot'], $pin['learners']);
    }

    /** @param  array{learner: int, knot: int, isLesson: bool, ...}  $promise */
    public function keeps(Program $program, array $promise): bool
    {
        return $promise['isLesson'] ? $this->isThere($program, $promise['knot'], [$promise['learner']]) : in_array($promise['knot'], $program->old, true);
    }
}
