<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * The soonest that each target could be met for each learner if nobody else were there to be taught. No plan is sooner: a lesson is
 * taken as short as it can be, and what has to come before a knot is counted with its minutes and under the limit of new knots.
 */
final class Earliest
{
    /** @var list<array<int, int>> by learner and target: number of the meeting; those never met are left out */
    public array $met = [];

    /** @var list<array<int, int>> by learner and knot: number of the meeting that may teach it, 0: had already; those never taught are left out */
    public array $taught = [];

    private readonly Standing $start;

    public function __construct(private readonly Course $course, private readonly Clock $clock)
    {
        $this->start = new Standing($course);
        foreach (array_keys($course->learners) as $learner) {
            $this->taught[] = [];
            foreach (array_keys($course->knots) as $knot) {
                $at = $this->lesson($learner, $knot);
                if ($at !== null) {
                    $this->taught[$learner][$knot] = $at;
                }
            }
        }
        $this->met = $this->start->met;
        foreach ($course->pursuits as $pursuit) {
            foreach ($pursuit->ask->targets() as $target) {
                $at = isset($this->start->met[$pursuit->learner][$target]) ? 0 : $this->target($pursuit->learner, $target);
                if ($at !== null) {
                    $this->met[$pursuit->learner][$target] = $at;
                }
            }
        }
    }

    /** @return array<int, true> the knot and all that comes before it that the learner lacks */
    public function chain(int $learner, int $knot): array
    {
        if ($this->start->has($learner, $knot)) {
            return [];
        }
        $chain = [$knot => true];
        foreach ($this->course->before[$knot] as $first) {
            $chain += $this->chain($learner, $first);
        }

        return $chain;
    }

    /**
     * The number of the first meeting by whose end so much time, and so many new knots, are behind the learner.
     *
     * @param  array<int, true>  $chain  knots
     */
    public function enough(int $learner, array $chain): ?int
    {
        $minutes = 0.0;
        $new = 0;
        foreach (array_keys($chain) as $knot) {
            $minutes += $this->clock->leastLesson($knot, $learner, $this->mostCheckers());
            $new += isset($this->course->known[$learner][$knot]) ? 0 : 1;
        }
        if ($minutes <= Clock::EASE) {
            return 0;
        }
        foreach ($this->course->room as $meeting => $room) {
            if ($this->course->isHere[$meeting][$learner]) {
                $minutes -= $room;
                $new -= $this->course->limit[$learner];
            }
            if ($minutes <= Clock::EASE && $new <= 0) {
                return $meeting + 1;
            }
        }

        return null;
    }

    private function mostCheckers(): int
    {
        return max([1, ...array_map(static fn (Evening $meeting): int => $meeting->checkers, $this->course->meetings)]);
    }

    private function lesson(int $learner, int $knot): ?int
    {
        if ($this->start->has($learner, $knot)) {
            return 0;
        }
        if (isset($this->course->never[$learner][$knot])) {
            return null;
        }
        $from = max(1, $this->enough($learner, $this->chain($learner, $knot)) ?? Ask::NEVER);
        foreach ($this->course->before[$knot] as $first) {
            // What comes before it has a smaller number, and has been asked already.
            $from = max($from, $this->taught[$learner][$first] ?? Ask::NEVER);
        }
        foreach ($this->course->meetings as $meeting => $evening) {
            if ($meeting + 1 >= $from && $this->course->isHere[$meeting][$learner] && $this->course->may[$knot][$meeting] && ($this->course->pinned[$learner][$knot] ?? 0) <= $meeting
                && $this->clock->leastLesson($knot, $learner, $evening->checkers) <= $this->course->room[$meeting] + Clock::EASE) {
                return $meeting + 1;
            }
        }

        return null;
    }

    private function target(int $learner, int $number): ?int
    {
        $target = $this->course->targets[$number];
        $taught = $this->taught[$learner][$target->knot] ?? null;
        if ($taught === null || $target->deed === Deed::Lesson && $taught > 0) {
            return $taught;
        }
        if ($target->leaf->isTicked() && isset($this->course->learners[$learner]->ticked[$target->leaf->key()])) {
            return $taught;
        }
        $day = $taught > 0 ? $this->course->day[$taught - 1] : $this->start->since[$learner][$target->knot];
        foreach ($this->course->day as $meeting => $today) {
            $mayBe = $meeting + 1 >= $taught && $this->course->isHere[$meeting][$learner] && match ($target->deed) {
                Deed::Again => $today > $day && $this->course->may[$target->knot][$meeting],
                Deed::Use => $this->shortest($target->rigs ?? []) <= $this->course->room[$meeting] + Clock::EASE,
                Deed::Help => $this->course->may[$target->knot][$meeting] && $this->canBeHelped($learner, $target->knot, $meeting),
                Deed::Lesson => false,
            };
            if ($mayBe) {
                return $meeting + 1;
            }
        }

        return null;
    }

    /** @param  list<int>  $rigs */
    private function shortest(array $rigs): float
    {
        return min([INF, ...array_map(fn (int $rig): float => (float) $this->course->rigs[$rig]->minutes, $rigs)]);
    }

    private function canBeHelped(int $learner, int $knot, int $meeting): bool
    {
        foreach ($this->course->present[$meeting] as $other) {
            if ($other !== $learner && ! $this->start->has($other, $knot) && ($this->taught[$other][$knot] ?? 1) <= $meeting + 1) {
                return true;
            }
        }

        return false;
    }
}
