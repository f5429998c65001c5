<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Refusal;

/**
 * The best plan found: laid meeting by meeting in a few ways, then again and again from some meeting on, and changed in small
 * things. Work is counted in plans laid, not in time: the same case, the same plan.
 */
final class Search
{
    /** Plans tried, where a case is of the smallest; fewer the larger it is. */
    private const MOST = 1500;

    private const LEAST = 5;

    /** Learners x knots x meetings that are laid in all. */
    private const WORK = 1_500_000;

    private readonly Replay $replay;

    private readonly Dice $dice;

    private readonly Builder $builder;

    private readonly Edits $edits;

    /** @param  array<int, Program>  $accepted  by meeting */
    private function __construct(private readonly Course $course, private readonly array $accepted)
    {
        $this->replay = new Replay($course);
        $this->dice = new Dice(20);
        $this->builder = new Builder($this->replay, $this->dice);
        $this->edits = new Edits($this->replay, $this->dice);
    }

    /**
     * @param  float  $effort  of the usual one
     * @param  array<int, Program>  $accepted  by meeting: the plan that stands, of which whatever still may be there is a start
     *
     * @throws Refusal where no plan was found that holds all pins
     */
    public static function in(Course $course, float $effort = 1.0, array $accepted = []): Found
    {
        return self::quickly($course, $effort, $accepted) ?? throw self::pinsThatCannotHold($course);
    }

    /**
     * @param  array<int, Program>  $accepted  by meeting
     * @return ?Found null where pins cannot hold
     */
    public static function quickly(Course $course, float $effort = 0.15, array $accepted = []): ?Found
    {
        return (new self($course, $accepted))->search($effort);
    }

    private function search(float $effort): ?Found
    {
        $best = $this->start();
        $size = max(1, count($this->course->learners) * count($this->course->knots) * count($this->course->meetings));
        $rounds = (int) ($effort * min(self::MOST, max(self::LEAST, self::WORK / $size)));
        for ($try = 0; $best === null && $try < max(20, $rounds / 4); $try++) {
            $best = $this->better(null, $this->laid(0, [], $this->leaning()));
        }

        return $best === null || $this->course->meetings === [] ? $best : $this->improve($best, $rounds);
    }

    private function start(): ?Found
    {
        $best = null;
        foreach ([1.0, 0.8, 0.6] as $fill) {
            foreach ([1.0, 0.3] as $old) {
                $best = $this->better($best, $this->laid(0, [], new Leaning(fill: $fill, old: $old)));
            }
        }
        if ($this->course->promises !== []) {
            $best = $this->better($best, $this->laid(0, [], new Leaning(holds: true)));
        }
        if ($this->accepted !== []) {
            $best = $this->better($best, $this->laid(0, [], new Leaning(holds: true), $this->accepted));
        }

        return $best;
    }

    private function improve(Found $best, int $rounds): Found
    {
        $at = $best;
        for ($round = 0; $round < $rounds; $round++) {
            if ($round % 100 === 99) {
                $at = $best;
            }
            if ($this->dice->below(5) < 2) {
                $from = $this->dice->below(count($at->plan));
                // A few meetings anew, and of those after them whatever still may be there; or all that come after.
                $kept = array_slice($at->plan, $from + 1 + $this->dice->below(3), null, true);
                $next = $this->laid($from, array_slice($at->plan, 0, $from), $this->leaning(), $this->dice->below(4) > 0 ? $kept : []);
            } else {
                $next = $this->edited($at->plan);
            }
            if ($next === null) {
                continue;
            }
            $against = $next->outcome->score->against($at->outcome->score, $this->course->wishes);
            if ($against <= 0 || $next->outcome->score->unmet <= $at->outcome->score->unmet && $this->dice->below(40) === 0) {
                $at = $next;
                $best = $this->better($best, $next) ?? $best;
            }
        }

        return $best;
    }

    /** @param  list<Program>  $plan */
    private function edited(array $plan): ?Found
    {
        $edited = $this->edits->of($plan);
        for ($more = $this->dice->below(3); $edited !== null && $more > 0; $more--) {
            $edited = $this->edits->of($edited) ?? $edited;
        }
        $outcome = $edited === null ? null : $this->replay->of($edited);

        return $edited === null || $outcome === null ? null : new Found($edited, $outcome);
    }

    private function leaning(): Leaning
    {
        $fills = [1.0, 1.0, 1.0, 0.8, 0.6, 0.4];
        $noises = [0.0, 0.3, 0.6, 1.0];
        $skips = [0.0, 0.0, 0.1, 0.4];
        $olds = [1.0, 1.0, 0.3, 3.0, 0.0];

        return new Leaning(
            $fills[$this->dice->below(count($fills))], $noises[$this->dice->below(count($noises))], $skips[$this->dice->below(count($skips))],
            $olds[$this->dice->below(count($olds))], $this->course->promises !== [] && $this->dice->below(3) > 0,
        );
    }

    /**
     * Lays the meetings from one on.
     *
     * @param  list<Program>  $before
     * @param  array<int, Program>  $kept  by meeting: of which whatever still may be there is there
     */
    private function laid(int $from, array $before, Leaning $leaning, array $kept = []): ?Found
    {
        $standing = new Standing($this->course);
        foreach ($before as $meeting => $program) {
            $this->replay->meeting($standing, $meeting, $program);
        }
        $plan = $before;
        for ($meeting = $from; $meeting < count($this->course->meetings); $meeting++) {
            $plan[] = $this->builder->meeting($standing, $meeting, isset($kept[$meeting]) ? new Leaning(holds: $leaning->holds) : $leaning, $kept[$meeting] ?? null);
        }
        $outcome = $this->replay->of($plan);

        return $outcome === null ? null : new Found($plan, $outcome);
    }

    private function better(?Found $best, ?Found $next): ?Found
    {
        return $best === null || $next !== null && $next->outcome->score->against($best->outcome->score, $this->course->wishes) < 0 ? $next : $best;
    }

    public static function pinsThatCannotHold(Course $course): Refusal
    {
        $pins = array_map(static fn (array $pin): string => $pin['pin']->knot.' at '.$pin['pin']->meeting, $course->pins);

        return Refusal::of('/pins', array_map(static fn (Pin $pin): array => ['knot' => $pin->knot, 'meeting' => $pin->meeting] + ($pin->learners === null ? [] : ['learners' => $pin->learners]), $course->wishes->pins), 'teaching.pins', ['pins' => $pins]);
    }
}
