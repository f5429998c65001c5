<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Every round that can be held at a point of a meeting, but for those that teach and help the same and are both longer, or as
 * long, and leave fewer checkers' minutes over than another.
 */
final class EveryRound
{
    /** @var array<string, list<array{non-empty-list<Station>, float, float}>> rounds with minutes and checkers' minutes left over, by what they teach */
    private array $found = [];

    private int $looked = 0;

    private function __construct(private readonly Replay $replay, private readonly Standing $standing, private readonly int $meeting, private readonly float $most)
    {
    }

    /**
     * @param  float  $most  minutes
     * @param  int  $budget  how many may be looked at; what was is taken off
     * @return ?list<array{non-empty-list<Station>, float, float}> null where there are too many
     */
    public static function of(Replay $replay, Standing $standing, int $meeting, float $most, int &$budget): ?array
    {
        $every = new self($replay, $standing, $meeting, $most);
        $every->assign($replay->course->present[$meeting], [], [], $budget);
        $budget -= $every->looked;

        return $budget < 0 ? null : array_merge([], ...array_values($every->found));
    }

    /**
     * @param  list<int>  $people  still to be given something to do
     * @param  array<int, non-empty-list<int>>  $learning  by knot
     * @param  array<int, non-empty-list<int>>  $helping  by knot
     */
    private function assign(array $people, array $learning, array $helping, int $budget): void
    {
        if (++$this->looked > $budget) {
            return;
        }
        $course = $this->replay->course;
        $person = array_shift($people);
        if ($person === null) {
            $this->split($learning, $helping, array_keys($learning), []);

            return;
        }
        $this->assign($people, $learning, $helping, $budget);
        foreach (array_keys($course->knots) as $knot) {
            if (! $course->may[$knot][$this->meeting]) {
                continue;
            }
            if ($this->replay->isReady($this->standing, $this->meeting, $person, $knot) && $this->standing->mayMeet($person, $knot)) {
                $this->assign($people, [$knot => [...$learning[$knot] ?? [], $person]] + $learning, $helping, $budget);
            } elseif (isset($this->replay->helped[$knot]) && $this->standing->has($person, $knot)) {
                $this->assign($people, $learning, [$knot => [...$helping[$knot] ?? [], $person]] + $helping, $budget);
            }
        }
    }

    /**
     * @param  array<int, non-empty-list<int>>  $learning
     * @param  array<int, non-empty-list<int>>  $helping
     * @param  list<int>  $knots  still to be split into stations
     * @param  list<array{int, non-empty-list<int>, list<int>}>  $stations
     */
    private function split(array $learning, array $helping, array $knots, array $stations): void
    {
        $knot = array_shift($knots);
        if ($knot === null) {
            if ($stations !== [] && array_diff_key($helping, $learning) === []) {
                $this->staff($stations);
            }

            return;
        }
        foreach (self::partitions($learning[$knot]) as $groups) {
            foreach ($this->withHelpers($groups, $helping[$knot] ?? []) as $helped) {
                $this->split($learning, $helping, $knots, [...$stations, ...array_map(static fn (array $one): array => [$knot, $one[0], $one[1]], $helped)]);
            }
        }
    }

    /**
     * @param  non-empty-list<int>  $people
     * @return list<non-empty-list<non-empty-list<int>>>
     */
    private static function partitions(array $people): array
    {
        $last = array_pop($people);
        if ($people === []) {
            return [[[$last]]];
        }
        $found = [];
        foreach (self::partitions($people) as $groups) {
            $found[] = [...$groups, [$last]];
            foreach ($groups as $place => $group) {
                $found[] = array_values(array_replace($groups, [$place => [...$group, $last]]));
            }
        }

        return $found;
    }

    /**
     * @param  non-empty-list<non-empty-list<int>>  $groups
     * @param  list<int>  $helpers
     * @return list<non-empty-list<array{non-empty-list<int>, list<int>}>>
     */
    private function withHelpers(array $groups, array $helpers): array
    {
        $found = [array_map(static fn (array $group): array => [$group, []], $groups)];
        foreach ($helpers as $helper) {
            $next = [];
            foreach ($found as $helped) {
                foreach ($helped as $place => [$group, $with]) {
                    $next[] = array_values(array_replace($helped, [$place => [$group, [...$with, $helper]]]));
                }
            }
            $found = $next;
        }

        return $found;
    }

    /** @param  non-empty-list<array{int, non-empty-list<int>, list<int>}>  $stations */
    private function staff(array $stations): void
    {
        $checkers = $this->replay->course->meetings[$this->meeting]->checkers;
        if (count($stations) > $checkers || ! $this->isHelpOfUse($stations)) {
            return;
        }
        $plain = array_map(static fn (array $one): Station => new Station($one[0], $one[1], 1, $one[2]), $stations);
        if (! $this->replay->mayBe($this->standing, $this->meeting, $plain)) {
            return;
        }
        $key = self::taught($this->replay->course, $plain);
        foreach (self::shares(count($stations), $checkers) as $share) {
            $this->looked++;
            $round = [];
            $unused = $checkers;
            foreach ($plain as $place => $station) {
                $round[] = $station->staffedBy($share[$place]);
                $unused -= $share[$place];
            }
            $minutes = $this->replay->clock->round($round);
            if ($minutes <= $this->most + Clock::EASE) {
                $this->keep($key, $round, $minutes, $unused * $minutes);
            }
        }
    }

    /**
     * Who has no help to give for a badge helps only alone, and only one who does not need the knot: without a helper they may not learn it.
     *
     * @param  non-empty-list<array{int, non-empty-list<int>, list<int>}>  $stations
     */
    private function isHelpOfUse(array $stations): bool
    {
        foreach ($stations as [$knot, $learners, $helpers]) {
            $idle = array_filter($helpers, fn (int $helper): bool => ! $this->replay->course->isToHelp($helper, $knot));
            $unneeding = array_filter($learners, fn (int $learner): bool => ! $this->replay->isWanted($learner, $knot));
            if ($idle !== [] && (count($helpers) > 1 || $unneeding === [])) {
                return false;
            }
        }

        return true;
    }

    /** @param  non-empty-list<Station>  $round */
    private function keep(string $key, array $round, float $minutes, float $unused): void
    {
        $kept = [];
        foreach ($this->found[$key] ?? [] as $other) {
            if ($other[1] <= $minutes && $other[2] >= $unused) {
                return;
            }
            if ($other[1] < $minutes || $other[2] > $unused) {
                $kept[] = $other;
            }
        }
        $this->found[$key] = [...$kept, [$round, $minutes, $unused]];
    }

    /**
     * Who is taught what and helps with what, as one word.
     *
     * @param  list<Station>  $stations
     */
    public static function taught(Course $course, array $stations): string
    {
        $all = [];
        foreach ($stations as $station) {
            foreach ($station->learners as $learner) {
                $all["$station->knot:$learner"] = true;
            }
            foreach ($station->helpers as $helper) {
                $all[$course->isToHelp($helper, $station->knot) ? "$station->knot+$helper" : ''] = true;
            }
        }
        ksort($all);

        return implode(' ', array_keys($all));
    }

    /** @return list<list<int>> every way to give each station at least one of the checkers */
    private static function shares(int $stations, int $checkers): array
    {
        if ($stations === 0) {
            return [[]];
        }
        $found = [];
        for ($first = 1; $first <= $checkers - $stations + 1; $first++) {
            foreach (self::shares($stations - 1, $checkers - $first) as $rest) {
                $found[] = [$first, ...$rest];
            }
        }

        return $found;
    }
}
