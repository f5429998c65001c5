<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Checking\Memory;

/**
 * Lays one meeting: again and again whatever is worth most for its minutes, a round of stations, an old knot or a rig, while there is room.
 */
final readonly class Builder
{
    /** Minutes in which nothing more is looked for where a program is kept. */
    private const LITTLE = 2.0;

    private Crossing $crossing;

    public function __construct(private Replay $replay, private Dice $dice)
    {
        $this->crossing = new Crossing($replay, $dice);
    }

    /**
     * Lays the meeting and leaves the standing as it is after it.
     *
     * @param  ?Program  $kept  of which whatever still may be there is there, before anything else
     */
    public function meeting(Standing $standing, int $meeting, Leaning $leaning, ?Program $kept = null): Program
    {
        $course = $this->replay->course;
        $before = clone $standing;
        $standing->begin();
        $program = new Program(rigs: $this->replay->chosen($meeting));
        $floor = $this->replay->clock->floor($before, $meeting);
        $hour = $this->replay->hour($before, $meeting, $program, $floor);
        if ($hour === null || ! $hour->fits()) {
            return new Program;
        }
        if ($kept instanceof Program) {
            $program = $this->keep($before, $standing, $meeting, $program, $kept, $floor);
            $hour = $this->replay->hour($before, $meeting, $program, $floor) ?? $hour;
            if ($hour->left() < self::LITTLE) {
                $standing->close($program, $meeting);

                return $program;
            }
        }
        $worth = new Worth($course, $this->replay->clock, $standing, $meeting, $leaning, $this->dice);
        $this->bend($worth, $leaning);
        $olds = $this->olds($before, $meeting, $worth, $leaning);
        $round = null;
        [$noRound, $tried] = [false, []];
        while (true) {
            $left = min($hour->left(), $hour->left() - (1 - $leaning->fill) * $hour->room);
            if ($round === null || $this->replay->clock->round($round[0]) > $left) {
                $round = $noRound || $left <= 0.5 ? null : $this->crossing->round($standing, $meeting, $worth, $left);
                $noRound = $round === null;
            }
            $other = $this->bestOther($standing, $meeting, $worth, $program, $hour, $olds, $tried);
            $isRound = $round !== null && ($other === null || $round[1] >= $other[0]);
            if ($round === null && $other === null) {
                break;
            }
            $next = $isRound ? $program->withRounds([...$program->rounds, $round[0]]) : $other[1] ?? $program;
            $after = $this->replay->hour($before, $meeting, $next, $floor);
            if ($after === null || ! $after->fits()) {
                $isRound ? $noRound = true : $tried[$other[2] ?? ''] = true;
                $round = $isRound ? null : $round;

                continue;
            }
            [$program, $hour] = [$next, $after];
            if ($isRound) {
                $standing->teach($round[0], $meeting);
                $this->taught($worth, $round[0]);
                $round = null;
            }
        }

        $standing->close($program, $meeting);

        return $program;
    }

    private function keep(Standing $before, Standing $standing, int $meeting, Program $program, Program $kept, float $floor): Program
    {
        foreach ($kept->rounds as $round) {
            $stations = [];
            foreach ($round as $station) {
                $helpers = array_values(array_filter($station->helpers, fn (int $helper): bool => $this->replay->course->isHere[$meeting][$helper] && $standing->has($helper, $station->knot)));
                $learners = array_values(array_filter($station->learners, fn (int $learner): bool => $this->mayBeAt($standing, $meeting, $learner, $station->knot, $helpers !== [])));
                if ($learners !== []) {
                    $stations[] = $station->teaching($learners)->helpedBy($helpers);
                }
            }
            $next = $stations === [] ? $program : $program->withRounds([...$program->rounds, $stations]);
            if ($stations !== [] && $this->replay->mayBe($standing, $meeting, $stations) && $this->fits($before, $meeting, $next, $floor)) {
                $program = $next;
                $standing->teach($stations, $meeting);
            }
        }
        foreach ($kept->old as $knot) {
            $next = $program->withOld([...$program->old, $knot]);
            $program = $this->fits($before, $meeting, $next, $floor) ? $next : $program;
        }
        foreach (array_diff($kept->rigs, $program->rigs) as $rig) {
            $next = $program->withRigs([...$program->rigs, $rig]);
            $program = $this->fits($before, $meeting, $next, $floor) ? $next : $program;
        }

        return $program;
    }

    private function mayBeAt(Standing $standing, int $meeting, int $learner, int $knot, bool $isHelped): bool
    {
        return $this->replay->course->isHere[$meeting][$learner] && $this->replay->isReady($standing, $meeting, $learner, $knot)
            && $standing->mayMeet($learner, $knot) && ($isHelped || $this->replay->isWanted($learner, $knot));
    }

    private function fits(Standing $before, int $meeting, Program $program, float $floor): bool
    {
        return $this->replay->hour($before, $meeting, $program, $floor)?->fits() ?? false;
    }

    /** @param  non-empty-list<Station>  $round */
    private function taught(Worth $worth, array $round): void
    {
        foreach ($round as $station) {
            foreach ($station->learners as $learner) {
                unset($worth->lesson[$station->knot][$learner]);
            }
            foreach ($station->helpers as $helper) {
                unset($worth->help[$station->knot][$helper]);
            }
        }
    }

    private function bend(Worth $worth, Leaning $leaning): void
    {
        if ($leaning->noise <= 0.0 && $leaning->skip <= 0.0) {
            return;
        }
        foreach (array_keys($worth->lesson) as $knot) {
            $factor = 3 ** ($leaning->noise * (2 * $this->dice->share() - 1));
            if ($this->dice->share() < $leaning->skip) {
                $factor = 0.0;
            }
            foreach ($worth->lesson[$knot] as $learner => $much) {
                if ($much < 15.0) {
                    $worth->lesson[$knot][$learner] = $much * $factor * ($this->dice->share() < $leaning->skip / 3 ? 0.0 : 1.0);
                }
            }
        }
    }

    /** @return array<int, array{float, float}> by knot that could be tied again: what that is worth, and its minutes */
    private function olds(Standing $before, int $meeting, Worth $worth, Leaning $leaning): array
    {
        $olds = [];
        foreach ($leaning->old > 0.0 ? $this->replay->course->may : [] as $knot => $may) {
            $having = $may[$meeting] ? $before->having($knot, $meeting) : [];
            $much = 0.0;
            foreach ($having as $learner) {
                $much += ($worth->again[$knot][$learner] ?? 0.0) + 0.2 * $this->remembered($before, $learner, $knot, $meeting);
            }
            if ($much > 1e-9) {
                $olds[$knot] = [$leaning->old * $much, $this->replay->clock->old(count($having), $meeting)];
            }
        }

        return $olds;
    }

    /**
     * @param  array<int, array{float, float}>  $olds
     * @param  array<string, true>  $tried
     * @return ?array{float, Program, string} worth a minute, the program with it, and its name
     */
    private function bestOther(Standing $standing, int $meeting, Worth $worth, Program $program, Hour $hour, array $olds, array $tried): ?array
    {
        $best = null;
        $spare = max(0.0, $hour->floor - $hour->old);
        foreach ($olds as $knot => [$much, $minutes]) {
            // What is kept for old knots anyway costs nothing.
            $takes = max(0.05, $minutes - $spare);
            if (! isset($tried["old $knot"]) && ! in_array($knot, $program->old, true) && $takes <= $hour->left() + Clock::EASE && ($best === null || $much / $takes > $best[0])) {
                $best = [$much / $takes, $program->withOld([...$program->old, $knot]), "old $knot"];
            }
        }
        foreach ($this->replay->course->rigs as $rig => $pack) {
            $much = 0.0;
            foreach ($worth->use[$rig] ?? [] as $learner => $each) {
                $much += $this->uses($standing, $rig, $learner) ? $each : 0.0;
            }
            $each = $much / max(1, $pack->minutes);
            if ($much > 0.0 && $this->replay->course->mayRaise[$rig][$meeting] && ! isset($tried["rig $rig"]) && ! in_array($rig, $program->rigs, true) && $pack->minutes <= $hour->left() + Clock::EASE && ($best === null || $each > $best[0])) {
                $best = [$each, $program->withRigs([...$program->rigs, $rig]), "rig $rig"];
            }
        }

        return $best;
    }

    /** What a pass today adds to the chance that the knot is known at the end, where a badge asks for it. */
    private function remembered(Standing $standing, int $learner, int $knot, int $meeting): float
    {
        $day = $this->replay->course->day[$meeting];
        if (! isset($this->replay->course->asked[$learner][$knot]) || $standing->last[$learner][$knot] >= $day) {
            return 0.0;
        }
        $horizon = $this->replay->course->horizon;

        return Memory::chanceAfter($horizon - $day, Standing::strengthened($standing->halfLife[$learner][$knot])) - $standing->chance($learner, $knot, $horizon);
    }

    private function uses(Standing $standing, int $rig, int $learner): bool
    {
        foreach ($this->replay->course->targets as $number => $target) {
            if (in_array($rig, $target->rigs ?? [], true) && ! isset($standing->met[$learner][$number]) && $standing->has($learner, $target->knot)) {
                return true;
            }
        }

        return false;
    }
}
