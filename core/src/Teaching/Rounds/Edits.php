<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Small changes of a plan, by chance. What comes out may break a rule: the replay says.
 */
final readonly class Edits
{
    public function __construct(private Replay $replay, private Dice $dice)
    {
    }

    /**
     * @param  list<Program>  $plan
     * @return ?list<Program> null where there was nothing to change
     */
    public function of(array $plan): ?array
    {
        $meeting = $this->dice->below(count($plan));
        $program = $plan[$meeting];
        $changed = match ($this->dice->below(11)) {
            0 => $this->withOld($program),
            1 => $this->withoutOld($program),
            2 => $this->withRig($program, $meeting),
            3 => $this->withAnother($program, $meeting),
            4 => $this->without($program),
            5 => $this->swapped($program),
            6 => $this->checkers($program, $meeting),
            7 => $this->helped($program, $meeting),
            8 => $this->learnedToHelp($program, $meeting),
            9 => $this->exchanged($program, $meeting),
            default => null,
        };
        if ($changed === null) {
            return $this->dice->below(3) === 0 ? $this->oldMoved($plan, $meeting) : $this->moved($plan, $meeting);
        }
        $plan[$meeting] = $changed;

        return array_values($plan);
    }

    private function withOld(Program $program): ?Program
    {
        $knot = $this->dice->below(count($this->replay->course->knots));

        return $this->replay->course->knots === [] || in_array($knot, $program->old, true) ? null : $program->withOld([...$program->old, $knot]);
    }

    private function withoutOld(Program $program): ?Program
    {
        $place = $this->dice->below(count($program->old));

        return $program->old === [] ? null : $program->withOld(array_values(array_diff_key($program->old, [$place => true])));
    }

    private function withRig(Program $program, int $meeting): ?Program
    {
        $rig = $this->dice->below(count($this->replay->course->rigs));
        if ($this->replay->course->rigs === [] || in_array($this->replay->course->rigs[$rig]->id, $this->replay->course->meetings[$meeting]->rigs, true)) {
            return null;
        }

        return $program->withRigs(in_array($rig, $program->rigs, true) ? array_values(array_diff($program->rigs, [$rig])) : [...$program->rigs, $rig]);
    }

    /** One more learner at a station, or a station of their own. */
    private function withAnother(Program $program, int $meeting): ?Program
    {
        $present = $this->replay->course->present[$meeting];
        if ($present === [] || $this->replay->course->knots === []) {
            return null;
        }
        $learner = $present[$this->dice->below(count($present))];
        $wanted = array_keys($this->replay->course->needs[$learner]);

        return $wanted === [] ? null : $this->put($program, $learner, $wanted[$this->dice->below(count($wanted))]);
    }

    private function put(Program $program, int $learner, int $knot): Program
    {
        $rounds = $program->rounds;
        $place = $this->dice->below(count($rounds) + 1);
        if (isset($rounds[$place])) {
            foreach ($rounds[$place] as $number => $station) {
                if ($station->knot === $knot && ! in_array($learner, $station->people(), true) && $this->dice->below(4) > 0) {
                    return $program->withStation($place, $number, $station->teaching(self::sorted([...$station->learners, $learner])));
                }
            }
            if ($this->dice->below(2) === 0) {
                $rounds[$place][] = new Station($knot, [$learner], 1);

                return $program->withRounds(self::rounds($rounds));
            }
        }
        array_splice($rounds, $place, 0, [[new Station($knot, [$learner], 1 + $this->dice->below(2))]]);

        return $program->withRounds(self::rounds($rounds));
    }

    /** @return array{int, int, Station} one of a program's stations by chance: its round, its place in it */
    private function station(Program $program): array
    {
        $round = $this->dice->below(count($program->rounds));
        $place = $this->dice->below(count($program->rounds[$round]));

        return [$round, $place, $program->rounds[$round][$place]];
    }

    private function without(Program $program): ?Program
    {
        return $this->taken($program)[0] ?? null;
    }

    /** @return ?array{Program, int, list<int>} the program without some learners of a station, the knot and who they were */
    private function taken(Program $program): ?array
    {
        if ($program->rounds === []) {
            return null;
        }
        [$place, $number, $station] = $this->station($program);
        if (count($station->learners) > 1 && $this->dice->below(2) === 0) {
            $one = $station->learners[$this->dice->below(count($station->learners))];
            $rest = array_values(array_diff($station->learners, [$one]));

            return [$program->withStation($place, $number, $station->teaching($rest === [] ? [$one] : $rest)), $station->knot, [$one]];
        }
        $rounds = $program->rounds;
        unset($rounds[$place][$number]);

        return [$program->withRounds(self::rounds($rounds)), $station->knot, $station->learners];
    }

    /**
     * Who was taught something at one meeting learns it at another, or in another round.
     *
     * @param  list<Program>  $plan
     * @return ?list<Program>
     */
    private function moved(array $plan, int $from): ?array
    {
        $taken = $this->taken($plan[$from]);
        if ($taken === null) {
            return null;
        }
        [$plan[$from], $knot, $learners] = $taken;
        $to = $this->dice->below(count($plan));
        $here = array_values(array_filter($learners, fn (int $learner): bool => $this->replay->course->isHere[$to][$learner]));
        if ($here === []) {
            return null;
        }
        $plan[$to] = $this->put($plan[$to], $here[0], $knot);
        if (count($here) > 1) {
            // The rest go with the first.
            foreach ($plan[$to]->rounds as $place => $round) {
                foreach ($round as $number => $station) {
                    if ($station->knot === $knot && in_array($here[0], $station->learners, true)) {
                        $plan[$to] = $plan[$to]->withStation($place, $number, $station->teaching(self::sorted(array_values(array_unique([...$station->learners, ...$here])))));
                    }
                }
            }
        }

        return array_values($plan);
    }

    private function swapped(Program $program): ?Program
    {
        if (count($program->rounds) < 2) {
            return null;
        }
        $rounds = $program->rounds;
        $place = $this->dice->below(count($rounds) - 1);
        if ($this->dice->below(2) === 0) {
            // Two rounds become one.
            array_splice($rounds, $place, 2, [[...$rounds[$place], ...$rounds[$place + 1]]]);
        } else {
            [$rounds[$place], $rounds[$place + 1]] = [$rounds[$place + 1], $rounds[$place]];
        }

        return $program->withRounds(self::rounds($rounds));
    }

    private function checkers(Program $program, int $meeting): ?Program
    {
        if ($program->rounds === []) {
            return null;
        }
        [$place, $number, $station] = $this->station($program);

        return $program->withStation($place, $number, $station->staffedBy(1 + $this->dice->below($this->replay->course->meetings[$meeting]->checkers)));
    }

    private function helped(Program $program, int $meeting): ?Program
    {
        $present = $this->replay->course->present[$meeting];
        if ($program->rounds === [] || $present === []) {
            return null;
        }
        [$place, $number, $station] = $this->station($program);
        $helper = $present[$this->dice->below(count($present))];
        if (in_array($helper, $station->learners, true)) {
            return null;
        }

        return $program->withStation($place, $number, $station->helpedBy(in_array($helper, $station->helpers, true) ? array_values(array_diff($station->helpers, [$helper])) : [...$station->helpers, $helper]));
    }

    /** One who is to teach a knot learns it, if need be, and helps another with it in the next round. */
    private function learnedToHelp(Program $program, int $meeting): ?Program
    {
        $course = $this->replay->course;
        $present = $course->present[$meeting];
        $targets = array_values(array_filter($course->targets, static fn (Target $target): bool => $target->deed === Deed::Help));
        if ($targets === [] || count($present) < 2) {
            return null;
        }
        $knot = $targets[$this->dice->below(count($targets))]->knot;
        $helpers = array_values(array_filter($present, static fn (int $learner): bool => isset($course->asked[$learner][$knot])));
        $helper = $helpers === [] ? null : $helpers[$this->dice->below(count($helpers))];
        $others = array_values(array_diff($present, [$helper]));
        if ($helper === null || $others === []) {
            return null;
        }
        $place = $this->dice->below(count($program->rounds) + 1);
        $rounds = [[new Station($knot, [$others[$this->dice->below(count($others))]], 1, [$helper])]];
        if ($this->dice->below(2) === 0) {
            array_unshift($rounds, [new Station($knot, [$helper], 1)]);
        }
        $all = $program->rounds;
        array_splice($all, $place, 0, $rounds);

        return $program->withRounds(self::rounds($all));
    }

    /** Another learner at a station in place of one. */
    private function exchanged(Program $program, int $meeting): ?Program
    {
        $present = $this->replay->course->present[$meeting];
        if ($program->rounds === [] || $present === []) {
            return null;
        }
        [$place, $number, $station] = $this->station($program);
        $one = $present[$this->dice->below(count($present))];
        if (in_array($one, $station->people(), true)) {
            return null;
        }
        $learners = $station->learners;
        $learners[$this->dice->below(count($learners))] = $one;

        return $program->withStation($place, $number, $station->teaching(self::sorted(array_values($learners))));
    }

    /**
     * @param  list<Program>  $plan
     * @return ?list<Program>
     */
    private function oldMoved(array $plan, int $from): ?array
    {
        $old = $plan[$from]->old;
        $to = $this->dice->below(count($plan));
        if ($old === [] || $to === $from) {
            return null;
        }
        $place = $this->dice->below(count($old));
        if (! in_array($old[$place], $plan[$to]->old, true)) {
            $plan[$to] = $plan[$to]->withOld([...$plan[$to]->old, $old[$place]]);
        }
        $plan[$from] = $plan[$from]->withOld(array_values(array_diff_key($old, [$place => true])));

        return array_values($plan);
    }

    /**
     * @param  non-empty-list<int>  $learners
     * @return non-empty-list<int>
     */
    private static function sorted(array $learners): array
    {
        sort($learners);

        return $learners;
    }

    /**
     * @param  array<int, array<int, Station>>  $rounds
     * @return list<non-empty-list<Station>> without those that are empty
     */
    private static function rounds(array $rounds): array
    {
        $kept = [];
        foreach ($rounds as $round) {
            if ($round !== []) {
                $kept[] = array_values($round);
            }
        }

        return $kept;
    }
}
