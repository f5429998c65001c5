<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\PlanLearner;

/**
 * How learners stand at a point of a plan, and what its meetings make of it: who has which knot since when, how well it is
 * remembered, which targets are met, and the second tries that wait. A copy is cheap.
 */
final class Standing
{
    /** log2(1 / 0.7): a knot is due when days / half-life is above this. */
    private const DUE_AFTER = 0.5145731728297583;

    /** @var list<array<int, int>> by learner and knot: the day since which it is had */
    public array $since = [];

    /** @var list<array<int, float>> by learner and knot: half-life in days */
    public array $halfLife = [];

    /** @var list<array<int, int>> by learner and knot: the day of the last pass */
    public array $last = [];

    /** @var list<array<int, int>> by learner and target: number of the meeting it is met in, 0 before them all */
    public array $met = [];

    /** @var array<int, float> by meeting: minutes of second tries that wait for it */
    public array $again = [];

    /** @var array<int, int> by learner: lessons of this meeting in knots of which nothing was known */
    private array $fresh = [];

    /** @var list<array<int, list<int>>> by learner and knot: targets ticked off that wait for has it */
    private array $ticked = [];

    public function __construct(private readonly Course $course)
    {
        $now = Calendar::dayNumber($course->now);
        foreach ($course->learners as $number => $learner) {
            $this->since[] = $this->halfLife[] = $this->last[] = $this->met[] = $this->ticked[] = [];
            foreach ($course->knots as $knot => $pack) {
                if (CourseNeeds::holds($learner, $pack->id)) {
                    $memory = $learner->memories[$pack->id] ?? null;
                    $day = $memory === null ? $now : Calendar::dayNumber($memory->lastDay);
                    $this->since[$number][$knot] = $this->last[$number][$knot] = $day;
                    $this->halfLife[$number][$knot] = $memory->halfLife ?? $course->halfLife[$knot];
                }
            }
        }
        foreach ($course->pursuits as $pursuit) {
            $this->readTargets($pursuit, $course->learners[$pursuit->learner]);
        }
    }

    private function readTargets(Pursuit $pursuit, PlanLearner $learner): void
    {
        foreach ($pursuit->ask->targets() as $number) {
            $target = $this->course->targets[$number];
            if ($target->isMetBy($learner)) {
                $this->met[$pursuit->learner][$number] = 0;
            } elseif ($target->leaf->isTicked() && isset($learner->ticked[$target->leaf->key()])) {
                $this->ticked[$pursuit->learner][$target->knot][] = $number;
            }
        }
    }

    public function has(int $learner, int $knot): bool
    {
        return isset($this->since[$learner][$knot]);
    }

    public function begin(): void
    {
        $this->fresh = [];
    }

    /** Whether the limit of new knots lets this learner have a lesson in the knot at the meeting begun. */
    public function mayMeet(int $learner, int $knot): bool
    {
        return isset($this->course->known[$learner][$knot]) || ($this->fresh[$learner] ?? 0) < $this->course->limit[$learner];
    }

    /** @param  non-empty-list<Station>  $round */
    public function teach(array $round, int $meeting): void
    {
        foreach ($round as $station) {
            foreach ($station->learners as $learner) {
                $this->lesson($learner, $station->knot, $meeting);
            }
            foreach ($station->helpers as $helper) {
                $this->meet($helper, $station->knot, Deed::Help, $meeting);
            }
        }
    }

    private function lesson(int $learner, int $knot, int $meeting): void
    {
        $day = $this->course->day[$meeting];
        $this->since[$learner][$knot] = $this->last[$learner][$knot] = $day;
        $this->halfLife[$learner][$knot] = $this->course->halfLife[$knot];
        if (! isset($this->course->known[$learner][$knot])) {
            $this->fresh[$learner] = ($this->fresh[$learner] ?? 0) + 1;
        }
        $next = $this->course->next[$meeting][$learner];
        if ($next >= 0) {
            $this->again[$next] = ($this->again[$next] ?? 0.0) + $this->course->again[$knot];
        }
        $this->meet($learner, $knot, Deed::Lesson, $meeting);
        foreach ($this->ticked[$learner][$knot] ?? [] as $target) {
            $this->met[$learner][$target] ??= $meeting + 1;
        }
    }

    /** @return list<int> those present who have the knot from an earlier date */
    public function having(int $knot, int $meeting): array
    {
        $day = $this->course->day[$meeting];
        $having = [];
        foreach ($this->course->present[$meeting] as $learner) {
            if (($this->since[$learner][$knot] ?? $day) < $day) {
                $having[] = $learner;
            }
        }

        return $having;
    }

    public function tieAgain(int $knot, int $meeting): void
    {
        $day = $this->course->day[$meeting];
        foreach ($this->having($knot, $meeting) as $learner) {
            $this->meet($learner, $knot, Deed::Again, $meeting);
            if ($this->last[$learner][$knot] < $day) {
                $this->halfLife[$learner][$knot] = self::strengthened($this->halfLife[$learner][$knot]);
                $this->last[$learner][$knot] = $day;
            }
        }
    }

    /** The half-life after a clean pass on a later day. */
    public static function strengthened(float $halfLife): float
    {
        return MemoryModel::usual()->after($halfLife, Verdict::HasIt);
    }

    public function use(int $rig, int $meeting): void
    {
        foreach ($this->course->rigs[$rig]->knots() as $id) {
            $knot = $this->course->knot($id);
            foreach ($knot === null ? [] : $this->course->targetsOf[$knot] as $target) {
                if (in_array($rig, $this->course->targets[$target]->rigs ?? [], true)) {
                    foreach ($this->course->present[$meeting] as $learner) {
                        if (isset($this->since[$learner][$knot])) {
                            $this->met[$learner][$target] ??= $meeting + 1;
                        }
                    }
                }
            }
        }
    }

    private function meet(int $learner, int $knot, Deed $deed, int $meeting): void
    {
        foreach ($this->course->targetsOf[$knot] as $target) {
            if ($this->course->targets[$target]->deed === $deed) {
                $this->met[$learner][$target] ??= $meeting + 1;
            }
        }
    }

    public function isDue(int $learner, int $knot, int $day): bool
    {
        return isset($this->since[$learner][$knot]) && ($day - $this->last[$learner][$knot]) / $this->halfLife[$learner][$knot] > self::DUE_AFTER;
    }

    /** The chance, from 0 to 1, that a knot once had is still known on a day. */
    public function chance(int $learner, int $knot, int $day): float
    {
        return 2 ** (-max(0, $day - $this->last[$learner][$knot]) / $this->halfLife[$learner][$knot]);
    }
}
