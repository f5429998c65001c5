<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\Library;

/**
 * Where badges let choose (n of these), the knots that cost the whole group the fewest minutes, shared between badges
 * and learners. With up to six knots in question every set of them is tried; with more, sets are bettered knot by knot.
 */
final readonly class GroupChoice
{
    private const TRIED_ALL = 6;

    /** Checkers reckoned with where choices are weighed; which meeting it will be is not known yet. */
    private const CHECKERS = 2;

    /**
     * @param  list<array{PlanLearner, BadgePack}>  $pursuits
     */
    private function __construct(private array $pursuits, private Library $library)
    {
    }

    /**
     * @param  list<array{PlanLearner, BadgePack}>  $pursuits
     * @return list<list<Leaf>> the open leaves of each, in the same order
     */
    public static function of(array $pursuits, Library $library): array
    {
        $choice = new self($pursuits, $library);
        $questions = $choice->questions();
        $best = [];
        $least = INF;
        foreach (count($questions) <= self::TRIED_ALL ? self::subsets($questions) : [$questions] as $set) {
            $minutes = $choice->minutes($choice->open($set));
            if ($minutes < $least) {
                [$best, $least] = [$set, $minutes];
            }
        }
        if (count($questions) > self::TRIED_ALL) {
            $best = $choice->bettered($questions, $best, $least);
        }

        return $choice->open($best);
    }

    /** @return list<string> the knots that are one choice among several, for anyone */
    private function questions(): array
    {
        $found = [];
        foreach ($this->pursuits as [, $badge]) {
            foreach ($badge->requirement->choices() as [$leaf, $choice]) {
                if ($choice !== null) {
                    $found[$leaf->knot] = true;
                }
            }
        }
        ksort($found);

        return array_map(strval(...), array_keys($found));
    }

    /**
     * @param  list<string>  $preferred
     * @return list<list<Leaf>>
     */
    private function open(array $preferred): array
    {
        $cheap = array_flip($preferred);
        // A preferred knot costs its minutes, any other all of a term's: it is taken only where nothing else is left.
        $cost = fn (Leaf $leaf): float => $this->library->knot($leaf->knot)->minutes + (isset($cheap[$leaf->knot]) ? 0 : 10000);

        return array_map(static fn (array $pursuit): array => $pursuit[1]->requirement->open($pursuit[0]->levels, $cost, $pursuit[0]->ticked), $this->pursuits);
    }

    /** @param  list<list<Leaf>>  $open */
    private function minutes(array $open): float
    {
        $needed = [];
        foreach ($open as $number => $leaves) {
            foreach ($leaves as $leaf) {
                $this->need($this->pursuits[$number][0], $leaf->knot, $needed);
            }
        }
        $minutes = 0.0;
        foreach ($needed as $knot => $bands) {
            $minutes += TimeModel::newKnot($this->library->knot((string) $knot)->minutes, AgeBand::youngest(array_values($bands)), count($bands), self::CHECKERS);
        }

        return $minutes;
    }

    /** @param  array<string, array<string, AgeBand>>  $needed */
    private function need(PlanLearner $learner, string $knot, array &$needed): void
    {
        $held = $learner->levels[$knot] ?? null;
        if (isset($needed[$knot][$learner->id]) || $held !== null && $held->rung() >= Level::HasIt->rung()) {
            return;
        }
        $needed[$knot][$learner->id] = $learner->band;
        foreach ($this->library->knot($knot)->prerequisites as $before) {
            $this->need($learner, $before, $needed);
        }
    }

    /**
     * @param  list<string>  $questions
     * @param  list<string>  $set
     * @return list<string>
     */
    private function bettered(array $questions, array $set, float $minutes): array
    {
        do {
            $better = false;
            foreach ($questions as $knot) {
                $other = in_array($knot, $set, true) ? array_values(array_diff($set, [$knot])) : [...$set, $knot];
                $now = $this->minutes($this->open($other));
                if ($now < $minutes - 1e-9) {
                    [$set, $minutes, $better] = [$other, $now, true];
                }
            }
        } while ($better);

        return $set;
    }

    /**
     * @param  list<string>  $of
     * @return list<list<string>> the largest first, so that of equal ones the least is left out
     */
    private static function subsets(array $of): array
    {
        $sets = [];
        for ($mask = (1 << count($of)) - 1; $mask >= 0; $mask--) {
            $sets[] = array_values(array_filter($of, static fn (int $place): bool => ($mask & 1 << $place) !== 0, ARRAY_FILTER_USE_KEY));
        }

        return $sets;
    }
}
