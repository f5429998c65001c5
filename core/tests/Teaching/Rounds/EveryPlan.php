<?php

declare(strict_types=1);

use Compadre\Core\Knots\Library;

require_once __DIR__.'/PlainTerm.php';

/**
 * The best four terms there are for a tiny term, by going through every plan: every round, one after the other, every choice of old
 * knots and rigs, meeting by meeting. What comes to the same standing is gone on with once, with the least crowding.
 */
final class EveryPlan
{
    /** @return ?list<float> in the order in which they are compared; null where no plan holds the pins */
    public static function best(array $in, Library $library): ?array
    {
        $plain = new PlainTerm($in, $library);
        $states = [[$plain, []]];
        $knots = [];
        foreach ($in['badges'] as $badge) {
            array_walk_recursive($badge['pack']['requirement'], static function (mixed $value, string|int $key) use (&$knots): void {
                $key === 'knot' && $knots[] = $value;
            });
        }
        $knots = [...$knots, ...array_column($in['pins'] ?? [], 'knot')];
        foreach ($in['learners'] as $learner) {
            array_push($knots, ...array_keys($learner['levels'] ?? []));
        }
        for ($place = 0; $place < count($knots); $place++) {
            array_push($knots, ...array_diff($library->knot($knots[$place])->prerequisites, $knots));
        }
        $knots = array_values(array_unique($knots));
        foreach ($plain->meetings as $number => $meeting) {
            $next = [];
            foreach ($states as [$state, $held]) {
                foreach (self::meetings($state, $number, $knots, $in['rigs'] ?? []) as $one) {
                    $after = clone $state;
                    if ($after->hold($number, $one) === null) {
                        $key = $after->standing().' '.serialize($plain->pinsIn([...$held, $one]));
                        if (! isset($next[$key]) || $after->crowding() < $next[$key][0]->crowding()) {
                            $next[$key] = [$after, [...$held, $one]];
                        }
                    }
                }
            }
            $states = $next;
        }
        $best = null;
        foreach ($states as [$state, $held]) {
            if ($state->pinsBrokenIn(['meetings' => $held]) !== null) {
                continue;
            }
            [$unmet, $completion, $forgotten, $crowding] = $state->terms();
            $terms = ($in['settings']['pace'] ?? 'keep') === 'soon' ? [$unmet, $completion, $forgotten, $crowding] : [$unmet, $forgotten, $completion, $crowding];
            $best = $best === null || $terms < $best ? $terms : $best;
        }

        return $best;
    }

    /** @return iterable<array<string, mixed>> */
    private static function meetings(PlainTerm $state, int $number, array $knots, array $rigs): iterable
    {
        $meeting = $state->meetings[$number];
        $room = max(0, $meeting['minutes'] - ($meeting['opening'] ?? 5) - ($meeting['closing'] ?? 5));
        foreach (self::sequences($state, $number, $knots, $room) as $rounds) {
            foreach (self::subsets($knots) as $old) {
                foreach (self::subsets($rigs) as $blocks) {
                    yield $state->asHeld($number, $rounds, $old, $blocks);
                }
            }
        }
    }

    /** @return list<array<mixed>> every subset */
    private static function subsets(array $all): array
    {
        $found = [[]];
        foreach ($all as $one) {
            foreach ($found as $some) {
                $found[] = [...$some, $one];
            }
        }

        return $found;
    }

    /** @return list<array<mixed>> rounds; of those that teach and help the same only ones that none beats in minutes and in checkers' minutes left over */
    private static function sequences(PlainTerm $state, int $number, array $knots, float $room): array
    {
        $found = ['' => [[[], 0.0, 0.0, $state]]];
        $open = [[[], 0.0, 0.0, $state]];
        while ($open !== []) {
            [$rounds, $minutes, $unused, $at] = array_pop($open);
            foreach (self::rounds($at, $number, $knots) as $round) {
                $after = clone $at;
                $takes = $round['minutes'];
                if ($minutes + $takes > $room + 1e-6 || $after->try($number, $round) !== null) {
                    continue;
                }
                $left = $unused + ($state->meetings[$number]['checkers'] - array_sum(array_column($round['stations'], 'checkers'))) * $takes;
                $one = [[...$rounds, $round], $minutes + $takes, $left, $after];
                $key = $after->standing();
                $beaten = array_filter($found[$key] ?? [], static fn (array $other): bool => $other[1] <= $one[1] + 1e-12 && $other[2] >= $one[2] - 1e-12);
                if ($beaten === []) {
                    $found[$key][] = $one;
                    $open[] = $one;
                }
            }
        }

        return array_column(array_merge(...array_values($found)), 0);
    }

    /** @return iterable<array<string, mixed>> every round in which everybody does nothing, learns or helps */
    private static function rounds(PlainTerm $state, int $number, array $knots): iterable
    {
        $choices = [[]];
        foreach ($state->here($state->meetings[$number]) as $person) {
            $next = [];
            foreach ($choices as $choice) {
                $next[] = $choice;
                foreach ($knots as $knot) {
                    $next[] = [...$choice, [$person, $knot, $state->holds($person, $knot) ? 'helpers' : 'learners']];
                }
            }
            $choices = $next;
        }
        foreach ($choices as $choice) {
            foreach (self::stations($choice) as $stations) {
                foreach (self::staffed($stations, $state->meetings[$number]['checkers']) as $staffed) {
                    yield $state->asRound($staffed);
                }
            }
        }
    }

    /** @return iterable<list<array<string, mixed>>> everybody at one of the stations begun, or at one of their own */
    private static function stations(array $choice, array $stations = []): iterable
    {
        if ($choice === []) {
            $learning = array_filter($stations, static fn (array $station): bool => $station['learners'] === []) === [];
            if ($stations !== [] && $learning) {
                yield $stations;
            }

            return;
        }
        [$person, $knot, $as] = array_shift($choice);
        foreach ([...$stations, ['knot' => $knot, 'learners' => [], 'helpers' => []]] as $place => $station) {
            if ($station['knot'] === $knot) {
                yield from self::stations($choice, array_replace($stations, [$place => [$as => [...$station[$as], $person]] + $station]));
            }
        }
    }

    /** @return iterable<list<array<string, mixed>>> */
    private static function staffed(array $stations, int $checkers): iterable
    {
        if ($stations === []) {
            yield [];

            return;
        }
        $first = array_shift($stations);
        for ($with = 1; $with <= $checkers - count($stations); $with++) {
            foreach (self::staffed($stations, $checkers - $with) as $rest) {
                yield [$first + ['checkers' => $with], ...$rest];
            }
        }
    }
}
