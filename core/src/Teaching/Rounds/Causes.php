<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Why a plan leaves something missing: the first of the causes whose lifting alone would let it be met, with the rest of the plan as
 * it is. Where it takes more than one, the first of the fewest that stand in the way together.
 */
final class Causes
{
    /** @var list<Standing> by meeting: before it */
    private array $before = [];

    /** @var list<Standing> by meeting: after its rounds */
    private array $after = [];

    /** @var list<Hour> */
    private array $hours = [];

    /** @param  list<Program>  $plan */
    private function __construct(private readonly Replay $replay, private readonly Course $course, private readonly array $plan)
    {
        $standing = new Standing($course);
        foreach ($plan as $meeting => $program) {
            $this->before[] = clone $standing;
            $hour = $replay->meeting($standing, $meeting, $program);
            if ($hour === null) {
                throw new \LogicException('A plan whose causes are asked for holds all rules.');
            }
            $this->hours[] = $hour;
            $this->after[] = clone $standing;
        }
    }

    /** @return list<Missing> as many as the plan's first term counts */
    public static function of(Course $course, Found $found): array
    {
        $causes = new self(new Replay($course), $course, $found->plan);
        $missing = [];
        foreach ($course->pursuits as $number => $pursuit) {
            $met = $found->outcome->standing->met[$pursuit->learner];
            $fewest = $pursuit->ask->wayBy($met, $pursuit->by, static fn (int $target): float => 1 + 1e-6 * ($pursuit->preferred[$target] ?? 0));
            foreach ($fewest as $target) {
                $missing[] = new Missing($pursuit->learner, $number, $target, $causes->about($pursuit, $course->targets[$target]));
            }
        }

        return $missing;
    }

    private function about(Pursuit $pursuit, Target $target): Cause
    {
        $least = null;
        foreach ($this->ways($pursuit, $target) as $ways) {
            $ways = array_values(array_unique($ways, SORT_REGULAR));
            $rank = [count($ways), ...array_map(static fn (Cause $cause): int => (int) array_search($cause, Cause::cases(), true), self::inOrder($ways))];
            $least = $least === null || $rank < $least[0] ? [$rank, $ways] : $least;
        }

        return self::inOrder($least[1] ?? [])[0] ?? ($this->plan === [] || $pursuit->by === 0 ? Cause::Date : Cause::Room);
    }

    /**
     * @param  list<Cause>  $causes
     * @return list<Cause>
     */
    private static function inOrder(array $causes): array
    {
        return array_values(array_filter(Cause::cases(), static fn (Cause $cause): bool => in_array($cause, $causes, true)));
    }

    /** @return iterable<list<Cause>> for each way to meet it, what stands in it */
    private function ways(Pursuit $pursuit, Target $target): iterable
    {
        $learner = $pursuit->learner;
        foreach (array_keys($this->plan) as $meeting) {
            $has = $this->after[$meeting]->has($learner, $target->knot);
            $late = $meeting < $pursuit->by ? [] : [Cause::Date];
            if ($target->deed === Deed::Lesson) {
                if (! $has || $meeting >= $pursuit->by) {
                    yield [...$late, ...$this->lesson($learner, $target->knot, $meeting)];
                }

                continue;
            }
            if ($has) {
                yield [...$late, ...$this->deed($learner, $target, $meeting, $this->sinceOf($learner, $target->knot, $meeting))];

                continue;
            }
            // Both have to be put in: a lesson, and what is to come of it.
            for ($then = $meeting; $then < count($this->plan); $then++) {
                $late = $then < $pursuit->by ? [] : [Cause::Date];
                yield [...$late, ...$this->lesson($learner, $target->knot, $meeting), ...$this->deed($learner, $target, $then, $this->course->day[$meeting])];
            }
        }
    }

    private function sinceOf(int $learner, int $knot, int $meeting): int
    {
        return $this->after[$meeting]->since[$learner][$knot];
    }

    /** @return list<Cause> */
    private function lesson(int $learner, int $knot, int $meeting): array
    {
        $stand = [];
        if ($this->isBanned($knot, $meeting)) {
            $stand[] = Cause::Ban;
        }
        if (isset($this->course->never[$learner][$knot]) || ($this->course->pinned[$learner][$knot] ?? 0) > $meeting) {
            $stand[] = Cause::Pin;
        }
        if (! $this->course->hasObjectsFor([$knot], $meeting)) {
            $stand[] = Cause::Object;
        }
        if (! $this->course->isHere[$meeting][$learner]) {
            $stand[] = Cause::Presence;
        }
        foreach ($this->course->before[$knot] as $first) {
            if (! $this->after[$meeting]->has($learner, $first)) {
                $stand[] = Cause::Order;
                break;
            }
        }
        if (! $this->after[$meeting]->mayMeet($learner, $knot)) {
            $stand[] = Cause::Limit;
        }
        if (! $this->hasRoomForLesson($learner, $knot, $meeting, in_array(Cause::Object, $stand, true))) {
            $stand[] = Cause::Room;
        }

        return $stand;
    }

    private function isBanned(int $knot, int $meeting): bool
    {
        return $this->course->wishes->bans($this->course->knots[$knot], $this->course->meetings[$meeting]->id);
    }

    /** With a round more, at a station there is, or at one beside others. */
    private function hasRoomForLesson(int $learner, int $knot, int $meeting, bool $objectsLifted): bool
    {
        $checkers = $this->course->meetings[$meeting]->checkers;
        $program = $this->plan[$meeting];
        $rounds = $program->rounds;
        $tried = [$program->withRounds([...$rounds, [new Station($knot, [$learner], $checkers)]])];
        $standing = clone $this->before[$meeting];
        $standing->begin();
        foreach ($rounds as $place => $round) {
            $isReady = array_filter($this->course->before[$knot], static fn (int $first): bool => ! $standing->has($learner, $first)) === [];
            $standing->teach($round, $meeting);
            $busy = array_merge([], ...array_map(static fn (Station $station): array => $station->people(), $round));
            if (! $isReady || in_array($learner, $busy, true)) {
                continue;
            }
            foreach ($round as $number => $station) {
                if ($station->knot === $knot && $this->goTogether([$learner, ...$station->people()])) {
                    $tried[] = $program->withStation($place, $number, $station->teaching([...$station->learners, $learner]));
                }
            }
            $spare = $checkers - array_sum(array_map(static fn (Station $station): int => $station->checkers, $round));
            $knots = array_map(static fn (Station $station): int => $station->knot, $round);
            if ($spare > 0 && ($objectsLifted || $this->course->hasObjectsFor([...$knots, $knot], $meeting))) {
                $tried[] = $program->withRounds(array_values(array_replace($rounds, [$place => [...$round, new Station($knot, [$learner], $spare)]])));
            }
        }
        foreach ($tried as $more) {
            if ($this->fits($meeting, $more) && $this->fitsAfter($learner, $knot, $meeting)) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<int>  $people */
    private function goTogether(array $people): bool
    {
        return count(array_unique(array_filter(array_map(fn (int $person): ?string => $this->course->learners[$person]->patrol, $people), is_string(...)))) < 2;
    }

    private function fits(int $meeting, Program $program): bool
    {
        return $this->replay->hour($this->before[$meeting], $meeting, $program)?->fits() ?? false;
    }

    /** Whether the second tries it brings fit into the learner's next meeting. */
    private function fitsAfter(int $learner, int $knot, int $meeting): bool
    {
        $next = $this->course->next[$meeting][$learner];
        if ($next < 0) {
            return true;
        }
        $standing = clone $this->before[$next];
        $standing->again[$next] = ($standing->again[$next] ?? 0.0) + $this->course->again[$knot];

        return $this->replay->hour($standing, $next, $this->plan[$next])?->fits() ?? false;
    }

    /** @return list<Cause> what stands in the way of the knot tied again, used or helped with by one who has it since a day */
    private function deed(int $learner, Target $target, int $meeting, int $since): array
    {
        $stand = [];
        $knot = $target->knot;
        if ($target->deed !== Deed::Use && $this->isBanned($knot, $meeting)) {
            $stand[] = Cause::Ban;
        }
        if ($target->deed !== Deed::Use && ! $this->course->hasObjectsFor([$knot], $meeting)) {
            $stand[] = Cause::Object;
        }
        if (! $this->course->isHere[$meeting][$learner]) {
            $stand[] = Cause::Presence;
        }
        if ($target->deed === Deed::Again && $this->course->day[$meeting] <= $since) {
            $stand[] = Cause::Date;
        }
        if ($target->deed === Deed::Help && ! $this->isLackedBeside($learner, $knot, $meeting)) {
            $stand[] = Cause::Presence;
        }
        $fits = match ($target->deed) {
            Deed::Again => $this->hasRoomForOld($knot, $meeting),
            Deed::Use => $this->hasRoomForRig($target->rigs ?? [], $meeting),
            default => false,
        };

        return $fits ? $stand : [...$stand, Cause::Room];
    }

    /** Whether somebody else is there who could be helped. */
    private function isLackedBeside(int $learner, int $knot, int $meeting): bool
    {
        foreach ($this->course->present[$meeting] as $other) {
            if ($other !== $learner && ! $this->before[$meeting]->has($other, $knot)) {
                return true;
            }
        }

        return false;
    }

    private function hasRoomForOld(int $knot, int $meeting): bool
    {
        $hour = $this->hours[$meeting];
        $old = in_array($knot, $this->plan[$meeting]->old, true) ? 0.0 : $this->replay->clock->old(max(1, count($this->before[$meeting]->having($knot, $meeting))), $meeting);

        return (new Hour($hour->room, $hour->rounds, $hour->tries, $hour->blocks, $hour->old + $old, $hour->floor))->fits();
    }

    /** @param  list<int>  $rigs */
    private function hasRoomForRig(array $rigs, int $meeting): bool
    {
        foreach ($rigs as $rig) {
            if (in_array($rig, $this->plan[$meeting]->rigs, true) || $this->fits($meeting, $this->plan[$meeting]->withRigs([...$this->plan[$meeting]->rigs, $rig]))) {
                return true;
            }
        }

        return false;
    }
}
