<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Looks at every plan of a small case: meeting by meeting, all that a meeting can make of how learners stand, leaving out only what
 * is no better than something else looked at in every way that counts later. Gives up where that is too much.
 */
final class Exact
{
    /** Rounds and standings looked at before it is given up. */
    private const BUDGET = 250_000;

    /** Learners, and learners x knots, above which it is not begun. */
    private const FEW = 4;

    private const SMALL = 16;

    private int $budget = self::BUDGET;

    private readonly Replay $replay;

    /** @var list<array<int, int>> by learner and target: the number of the last meeting that could meet it */
    private array $latest = [];

    private function __construct(private readonly Course $course, private readonly ?Found $best)
    {
        $this->replay = new Replay($course);
        foreach ($course->pursuits as $pursuit) {
            foreach ($pursuit->ask->targets() as $target) {
                foreach (array_keys($course->meetings) as $meeting) {
                    $knot = $course->targets[$target]->knot;
                    if ($course->isHere[$meeting][$pursuit->learner] && ($course->targets[$target]->deed === Deed::Use || $course->may[$knot][$meeting])) {
                        $this->latest[$pursuit->learner][$target] = $meeting + 1;
                    }
                }
            }
        }
    }

    /**
     * @param  ?Found  $best  known so far
     * @return ?Looked null where there are too many to look at
     */
    public static function of(Course $course, ?Found $best): ?Looked
    {
        return (new self($course, $best))->search();
    }

    public static function isSmall(Course $course): bool
    {
        return count($course->learners) <= self::FEW && count($course->learners) * count($course->knots) <= self::SMALL;
    }

    private function search(): ?Looked
    {
        /** @var array<string, array{Standing, list<Program>, list<Hour>}> $states */
        $states = ['' => [new Standing($this->course), [], []]];
        foreach (array_keys($this->course->meetings) as $meeting) {
            $next = [];
            foreach ($states as [$standing, $programs, $hours]) {
                foreach ($this->evenings($standing, $meeting) ?? [] as [$after, $program, $hour]) {
                    $plan = [...$programs, $program];
                    $spent = [...$hours, $hour];
                    if (--$this->budget < 0) {
                        return null;
                    }
                    if (! $this->mayBeBetter($after, $meeting)) {
                        continue;
                    }
                    $key = $this->key($after, $plan, $spent);
                    if (! isset($next[$key]) || Hour::crowding($spent) < Hour::crowding($next[$key][2]) - 1e-12) {
                        $next[$key] = [$after, $plan, $spent];
                    }
                }
                if ($this->budget < 0) {
                    return null;
                }
            }
            $states = $next;
        }
        $best = $this->best;
        foreach ($states as [, $plan]) {
            $outcome = $this->replay->of($plan);
            if ($outcome !== null && ($best === null || $outcome->score->against($best->outcome->score, $this->course->wishes) < 0)) {
                $best = new Found($plan, $outcome);
            }
        }

        // A rig that a leader chose where there is no room for it is none of what was looked at.
        return $states === [] && $best !== null ? null : new Looked($best);
    }

    /** Whether the first two terms could come out no worse than those of the best plan known. */
    private function mayBeBetter(Standing $standing, int $meeting): bool
    {
        $unmet = $completion = 0;
        $forgotten = 0.0;
        foreach ($this->course->pursuits as $pursuit) {
            $met = $standing->met[$pursuit->learner];
            foreach ($this->latest[$pursuit->learner] ?? [] as $target => $last) {
                if ($last > $meeting + 1) {
                    $met[$target] ??= $meeting + 2;
                }
            }
            $unmet += $pursuit->ask->missing($met, $pursuit->by);
            $at = $pursuit->ask->completedAt($met);
            $completion += $at > $pursuit->by ? count($this->course->meetings) + 1 : $at;
        }
        foreach ($standing->remembered() as [$learner, $knot]) {
            $forgotten += 1 - Standing::bestChance($this->course, $learner, $knot, $standing->last[$learner][$knot], $standing->halfLife[$learner][$knot], $meeting + 1);
        }
        $soon = $this->course->wishes->soon;
        $best = $this->best?->outcome->score;

        return $best === null || ($soon ? [$unmet, $completion] <= [$best->unmet, $best->completion] : [$unmet, round($forgotten, 1)] <= [$best->unmet, $best->forgotten]);
    }

    /**
     * All that later meetings and the terms see of a plan so far, but for its crowding.
     *
     * @param  list<Program>  $plan
     * @param  list<Hour>  $hours
     */
    private function key(Standing $standing, array $plan, array $hours): string
    {
        $promises = array_map(fn (array $promise): bool => isset($plan[$promise['meeting']]) && $this->replay->keeps($plan[$promise['meeting']], $promise), $this->course->promises);
        $pins = array_map(fn (array $pin): bool => isset($plan[$pin['meeting']]) && $this->replay->holds($plan[$pin['meeting']], $pin), $this->course->pins);
        $used = array_map(static fn (Hour $hour): bool => $hour->used() > 0.0, $hours);
        $state = [];
        foreach ([$standing->since, $standing->last, $standing->halfLife, $standing->met] as $each) {
            foreach ($each as $one) {
                ksort($one);
                $state[] = $one;
            }
        }
        $again = $standing->again;
        ksort($again);

        return serialize([$state, array_map(static fn (float $minutes): float => round($minutes, 9), $again), $promises, $pins, in_array(true, $used, true) ? array_search(true, array_reverse($used), true) : null]);
    }

    /** @return ?list<array{Standing, Program, Hour}> all a meeting can make of a standing; null where there are too many */
    private function evenings(Standing $standing, int $meeting): ?array
    {
        $start = clone $standing;
        $start->begin();
        $chosen = $this->replay->chosen($meeting);
        $floor = $this->replay->clock->floor($standing, $meeting);
        $extras = $this->extras($standing, $meeting, $chosen, $floor);
        $sequences = $this->sequences($start, $meeting);
        if ($sequences === null) {
            return null;
        }
        $found = [];
        foreach ($sequences as $ways) {
            foreach ($extras as $extra) {
                $best = null;
                foreach ($ways as [$after, $rounds]) {
                    $program = $extra->withRounds($rounds);
                    $hour = $this->replay->hour($standing, $meeting, $program, $floor);
                    if ($hour !== null && $hour->fits() && ($best === null || $hour->used() < $best[2]->used())) {
                        $best = [$after, $program, $hour];
                    }
                }
                if ($best !== null) {
                    $after = clone $best[0];
                    $after->close($extra, $meeting);
                    $found[] = [$after, $best[1], $best[2]];
                }
            }
        }

        return $found;
    }

    /**
     * @param  list<int>  $chosen  rigs
     * @return list<Program> every choice of old knots and rigs
     */
    private function extras(Standing $standing, int $meeting, array $chosen, float $floor): array
    {
        $programs = [new Program(rigs: $chosen)];
        foreach (array_keys($this->course->knots) as $knot) {
            if ($this->course->may[$knot][$meeting] && $standing->having($knot, $meeting) !== []) {
                foreach ($programs as $program) {
                    $programs[] = $program->withOld([...$program->old, $knot]);
                }
            }
        }
        foreach (array_keys($this->course->rigs) as $rig) {
            foreach (in_array($rig, $chosen, true) ? [] : $programs as $program) {
                $programs[] = $program->withRigs([...$program->rigs, $rig]);
            }
        }

        return array_values(array_filter($programs, fn (Program $program): bool => $this->replay->hour($standing, $meeting, $program, $floor)?->fits() ?? false));
    }

    /**
     * Every set of lessons and helps that rounds one after the other come to, with the ways to hold them that none beats in minutes and in
     * checkers' minutes left over.
     *
     * @return ?array<string, array<int, array{Standing, list<non-empty-list<Station>>, float, float}>> null where there are too many
     */
    private function sequences(Standing $start, int $meeting): ?array
    {
        $room = $this->course->room[$meeting];
        $reached = ['' => [[$start, [], 0.0, 0.0]]];
        $open = [['', 0]];
        for ($place = 0; $place < count($open); $place++) {
            [$key, $number] = $open[$place];
            if (! isset($reached[$key][$number])) {
                continue;
            }
            [$standing, $rounds, $minutes, $unused] = $reached[$key][$number];
            $more = EveryRound::of($this->replay, $standing, $meeting, $room - $minutes, $this->budget);
            if ($more === null) {
                return null;
            }
            foreach ($more as [$round, $takes, $left]) {
                $next = [...$rounds, $round];
                $name = EveryRound::taught($this->course, array_merge(...$next));
                if ($this->isKept($reached, $name, $minutes + $takes, $unused + $left)) {
                    $after = clone $standing;
                    $after->teach($round, $meeting);
                    $reached[$name][] = [$after, $next, $minutes + $takes, $unused + $left];
                    $open[] = [$name, (int) array_key_last($reached[$name])];
                }
            }
        }

        return $reached;
    }

    /** @param  array<string, array<int, array{Standing, list<non-empty-list<Station>>, float, float}>>  $reached */
    private function isKept(array &$reached, string $name, float $minutes, float $unused): bool
    {
        foreach ($reached[$name] ?? [] as $place => $other) {
            if ($other[2] <= $minutes + 1e-12 && $other[3] >= $unused - 1e-12) {
                return false;
            }
            if ($other[2] >= $minutes && $other[3] <= $unused) {
                unset($reached[$name][$place]);
            }
        }

        return true;
    }
}
