<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\MemoryModel;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Teaching\PlanLearner;

/**
 * How learners stand at a point of a plan, and what its meetings make of it: who has which knot since when, how well it is
 * remembered, which targets are met, and the second tries that wait. A copy is cheap.
 */
final class Standing
{
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
        $now = Memory::dayNumber($course->now);
        foreach ($course->learners as $number => $learner) {
            $this->since[] = $this->halfLife[] = $this->last[] = $this->met[] = $this->ticked[] = [];
            foreach ($course->knots as $knot => $pack) {
                if ($learner->holds($pack->id)) {
                    $memory = $learner->memories[$pack->id] ?? null;
                    $day = $memory === null ? $now : Memory::dayNumber($memory->lastDay);
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

    private function tieAgain(int $knot, int $meeting): void
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

    private function use(int $rig, int $meeting): void
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

    /** The chance that a knot is still known at the end if it were tied again on every day it can be, of the meetings from one on. */
    public static function bestChance(Course $course, int $learner, int $knot, int $last, float $halfLife, int $from): float
    {
        foreach ($course->day as $meeting => $day) {
            if ($meeting >= $from && $day > $last && $course->isHere[$meeting][$learner] && $course->may[$knot][$meeting]) {
                [$last, $halfLife] = [$day, self::strengthened($halfLife)];
            }
        }

        return Memory::chanceAfter($course->horizon - $last, $halfLife);
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
        return isset($this->since[$learner][$knot]) && $this->chance($learner, $knot, $day) < Memory::DUE_BELOW;
    }

    /** Ties the program's old knots again and puts its rigs to use: what comes beside the rounds of a meeting. */
    public function close(Program $program, int $meeting): void
    {
        foreach ($program->old as $knot) {
            $this->tieAgain($knot, $meeting);
        }
        foreach ($program->rigs as $rig) {
            $this->use($rig, $meeting);
        }
    }

    /** @return list<array{int, int}> learner and knot, each once, of leaves that are met by those who have it: what may be forgotten */
    public function remembered(): array
    {
        $counted = [];
        foreach ($this->course->pursuits as $pursuit) {
            foreach ($pursuit->ask->targets() as $target) {
                $knot = $this->course->targets[$target]->knot;
                if (isset($this->met[$pursuit->learner][$target]) && $this->has($pursuit->learner, $knot)) {
                    $counted[$pursuit->learner.' '.$knot] = [$pursuit->learner, $knot];
                }
            }
        }

        return array_values($counted);
    }

    /** The chance, from 0 to 1, that a knot once had is still known on a day. */
    public function chance(int $learner, int $knot, int $day): float
    {
        return Memory::chanceAfter($day - $this->last[$learner][$knot], $this->halfLife[$learner][$knot]);
    }
}
