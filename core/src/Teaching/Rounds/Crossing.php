<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Teaching\TimeModel;

/**
 * Finds the round that is worth most for its minutes: for each of a few lengths, the stations that fit into it side by side.
 */
final readonly class Crossing
{
    /** Knots looked at, those worth most first. */
    private const KNOTS = 12;

    /** Lengths tried. */
    private const LENGTHS = 4;

    public function __construct(private Replay $replay, private Dice $dice)
    {
    }

    /**
     * @param  float  $most  minutes
     * @return ?array{non-empty-list<Station>, float} the round and what it is worth a minute
     */
    public function round(Standing $standing, int $meeting, Worth $worth, float $most): ?array
    {
        $circles = [];
        foreach ($this->circles($standing, $meeting, $worth) as [$knot, $who]) {
            $much = array_map(static fn (int $learner): float => $worth->lesson[$knot][$learner] ?? 0.0, $who);
            $circles[] = new Circle($knot, $who, $much, $this->replay->clock->showing($knot, $who), 0.5 * $this->help($standing, $worth, $knot));
        }
        $best = null;
        foreach ($this->lengths($circles, $meeting, $most) as $length) {
            $round = $this->within($circles, $standing, $meeting, $worth, $length);
            $best = $round !== null && ($best === null || $round[1] > $best[1]) ? $round : $best;
        }

        return $best;
    }

    /**
     * @param  list<Circle>  $circles
     * @return list<float> a few lengths, in minutes, at which a circle is all taught, or one of it
     */
    private function lengths(array $circles, int $meeting, float $most): array
    {
        $checkers = $this->replay->course->meetings[$meeting]->checkers;
        $lengths = [];
        foreach ($circles as $circle) {
            foreach ([1, $checkers] as $with) {
                $lengths[] = TimeModel::lesson($circle->showing, count($circle->learners), $with);
                $lengths[] = TimeModel::lesson($circle->showing, 1, $with);
            }
        }
        $lengths = array_values(array_unique(array_filter($lengths, static fn (float $length): bool => $length <= $most + Clock::EASE)));
        rsort($lengths);
        if (count($lengths) > self::LENGTHS) {
            $step = count($lengths) / self::LENGTHS;
            $lengths = array_map(fn (int $place): float => $lengths[min(count($lengths) - 1, (int) ($place * $step) + $this->dice->below(max(1, (int) $step)))], range(0, self::LENGTHS - 1));
        }

        return array_values(array_unique([$most, ...$lengths]));
    }

    /**
     * Who could be taught what, those worth most first: everybody who lacks a knot, those of some age or older, those who have met it; a patrol at a time.
     *
     * @return list<array{int, non-empty-list<int>}>
     */
    private function circles(Standing $standing, int $meeting, Worth $worth): array
    {
        $ranked = [];
        $lessons = $worth->lesson;
        // So that somebody can help, one who does not need the knot may learn it.
        foreach ($worth->help as $knot => $helpers) {
            foreach ($this->replay->course->present[$meeting] as $learner) {
                if (! isset($lessons[$knot][$learner]) && ! isset($helpers[$learner])) {
                    $lessons[$knot][$learner] = 0.01;
                }
            }
        }
        foreach ($lessons as $knot => $learners) {
            if (! $this->replay->course->may[$knot][$meeting]) {
                continue;
            }
            $ready = [];
            foreach ($learners as $learner => $much) {
                if ($much > 0.0 && $this->replay->course->isHere[$meeting][$learner] && $standing->mayMeet($learner, $knot) && $this->replay->isReady($standing, $meeting, $learner, $knot)) {
                    $ready[$learner] = $much;
                }
            }
            if ($ready !== []) {
                arsort($ready);
                $ranked[] = [array_sum($ready) / (1 + $this->replay->course->knots[$knot]->minutes), $knot, array_keys($ready)];
            }
        }
        usort($ranked, static fn (array $a, array $b): int => [$b[0], $a[1]] <=> [$a[0], $b[1]]);
        $circles = [];
        foreach (array_slice($ranked, 0, self::KNOTS) as [, $knot, $ready]) {
            foreach ($this->byPatrol($ready) as $group) {
                foreach ($this->parts($group, $knot) as $part) {
                    $circles[] = [$knot, $part];
                }
            }
        }

        return $circles;
    }

    /**
     * @param  non-empty-list<int>  $learners
     * @return list<non-empty-list<int>> who has no patrol goes with each
     */
    private function byPatrol(array $learners): array
    {
        $groups = $anywhere = [];
        foreach ($learners as $learner) {
            $patrol = $this->replay->course->learners[$learner]->patrol;
            if ($patrol === null) {
                $anywhere[] = $learner;
            } else {
                $groups[$patrol][] = $learner;
            }
        }
        if ($anywhere === []) {
            return array_values($groups);
        }

        return $groups === [] ? [$anywhere] : array_values(array_map(static fn (array $group): array => [...$group, ...$anywhere], $groups));
    }

    /**
     * @param  non-empty-list<int>  $learners
     * @return list<non-empty-list<int>>
     */
    private function parts(array $learners, int $knot): array
    {
        $parts = [implode(' ', $learners) => $learners];
        $bands = array_unique(array_map($this->replay->clock->band(...), $learners));
        foreach (count($bands) > 1 ? $bands : [] as $band) {
            $older = array_values(array_filter($learners, fn (int $learner): bool => $this->replay->clock->band($learner) >= $band));
            $parts[implode(' ', $older)] = $older;
        }
        $known = array_values(array_filter($learners, fn (int $learner): bool => isset($this->replay->course->known[$learner][$knot])));
        foreach ([$known, array_values(array_diff($learners, $known))] as $part) {
            $parts[implode(' ', $part)] = $part;
        }

        return array_values(array_filter($parts, static fn (array $part): bool => $part !== []));
    }

    /**
     * @param  list<Circle>  $circles
     * @return ?array{non-empty-list<Station>, float}
     */
    private function within(array $circles, Standing $standing, int $meeting, Worth $worth, float $length): ?array
    {
        $left = $this->replay->course->meetings[$meeting]->checkers;
        $busy = $stations = $knots = [];
        while ($left > 0) {
            $best = null;
            foreach ($circles as $circle) {
                $free = $busy === [] ? $circle : $circle->without($busy);
                if ($free === null || ! $this->replay->course->hasObjectsFor([...$knots, $circle->knot], $meeting)) {
                    continue;
                }
                foreach (array_unique([1, min(2, $left), $left]) as $with) {
                    $many = min(count($free->learners), Clock::holds($free->showing, $with, $length));
                    $much = $many === 0 ? 0.0 : ($free->worthOf($many) + $free->help) / $with;
                    if ($much > 0.0 && ($best === null || $much > $best[0])) {
                        $best = [$much, $free, $many, $with];
                    }
                }
            }
            if ($best === null) {
                break;
            }
            $taught = array_slice($best[1]->learners, 0, $best[2]);
            if ($taught === []) {
                break;
            }
            $stations[] = new Station($best[1]->knot, $taught, $best[3]);
            $knots[] = $best[1]->knot;
            $left -= $best[3];
            $busy += array_fill_keys($taught, true);
        }
        if ($stations === []) {
            return null;
        }
        $stations = $this->helped($this->spread($stations, $left), $standing, $meeting, $worth);
        $much = 0.0;
        foreach ($stations as $station) {
            foreach ($station->learners as $learner) {
                $much += $worth->lesson[$station->knot][$learner] ?? 0.0;
            }
            foreach ($station->helpers as $helper) {
                $much += $worth->help[$station->knot][$helper] ?? 0.0;
            }
        }
        $stations = $this->needed($stations);

        return $stations === [] || $much <= 0.0 ? null : [$stations, $much / $this->replay->clock->round($stations)];
    }

    private function help(Standing $standing, Worth $worth, int $knot): float
    {
        $much = 0.0;
        foreach ($worth->help[$knot] ?? [] as $learner => $each) {
            $much += $standing->has($learner, $knot) ? $each : 0.0;
        }

        return $much;
    }

    /**
     * Checkers left over go where the round is longest.
     *
     * @param  non-empty-list<Station>  $stations
     * @return non-empty-list<Station>
     */
    private function spread(array $stations, int $left): array
    {
        while ($left-- > 0) {
            $longest = 0;
            foreach ($stations as $place => $station) {
                if ($this->replay->clock->round([$station]) > $this->replay->clock->round([$stations[$longest]]) + Clock::EASE) {
                    $longest = $place;
                }
            }
            $station = $stations[$longest];
            $stations[$longest] = $station->staffedBy($station->checkers + 1);
        }

        return array_values($stations);
    }

    /**
     * Whoever is free and wants to help does.
     *
     * @param  non-empty-list<Station>  $stations
     * @return non-empty-list<Station>
     */
    private function helped(array $stations, Standing $standing, int $meeting, Worth $worth): array
    {
        $busy = [];
        foreach ($stations as $station) {
            $busy += array_fill_keys($station->learners, true);
        }
        foreach ($stations as $place => $station) {
            foreach (array_keys($worth->help[$station->knot] ?? []) as $helper) {
                $with = $stations[$place]->helpedBy([...$stations[$place]->helpers, $helper]);
                if (! isset($busy[$helper]) && $standing->has($helper, $station->knot) && $this->replay->mayBe($standing, $meeting, [$with])) {
                    $stations[$place] = $with;
                    $busy[$helper] = true;
                }
            }
        }

        return $stations;
    }

    /**
     * Leaves out those who would learn only so that somebody can help, where nobody does.
     *
     * @param  non-empty-list<Station>  $stations
     * @return list<Station>
     */
    private function needed(array $stations): array
    {
        $kept = [];
        foreach ($stations as $station) {
            $needing = $station->helpers !== [] ? $station->learners : array_values(array_filter($station->learners, fn (int $learner): bool => $this->replay->isWanted($learner, $station->knot)));
            if ($needing !== []) {
                $kept[] = $station->teaching($needing);
            }
        }

        return $kept;
    }
}
