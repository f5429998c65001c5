<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What no plan can do better, term by term: each holds for every plan that is no worse than the one found in the terms compared
 * before it.
 *
 * Unmet and completion: by what a learner could do alone (Earliest), and by what a group can do together. A station of s learners with c'
 * checkers takes t >= A + s/(2c') minutes, A being the lesson without its checking; of a meeting of R minutes for n learners and c checkers
 * it takes s x t of n x R learners' minutes and c' x t of c x R checkers' minutes. Weighed x and 1 - x and made least over s / c', a lesson
 * costs a learner at least (sqrt(x A / n) + sqrt((1 - x) / 2c))^2 minutes of the meeting, for any x from 0 to 1.
 */
final class Bounds
{
    private const WEIGHTS = [0.0, 0.2, 0.4, 0.5, 0.6, 0.8, 1.0];

    private readonly Earliest $earliest;

    private readonly Standing $start;

    private readonly Clock $clock;

    /** @var list<int> by pursuit: leaves missing where everything that could be met is */
    private array $hopeless = [];

    private function __construct(private readonly Course $course)
    {
        $this->clock = new Clock($course);
        $this->start = new Standing($course);
        $this->earliest = new Earliest($course, $this->clock);
        foreach ($course->pursuits as $pursuit) {
            $this->hopeless[] = $pursuit->ask->missing($this->earliest->met[$pursuit->learner], $pursuit->by);
        }
    }

    public static function of(Course $course, Score $found): Score
    {
        $bounds = new self($course);
        $unmet = $bounds->unmet();
        // Where no more is missing than has to be, everything that can be met is, by whichever way is all there is.
        $all = $found->unmet <= array_sum($bounds->hopeless);

        return new Score(min($found->unmet, $unmet), min($found->completion, $bounds->completion()), min($found->forgotten, round($bounds->forgotten($all), 1)), min($found->crowding, round($bounds->crowding($all), 3)));
    }

    private function unmet(): int
    {
        $most = array_sum($this->hopeless);
        $dates = array_unique(array_map(static fn (Pursuit $pursuit): int => $pursuit->by, $this->course->pursuits));
        foreach ($dates as $by) {
            $late = 0;
            $alone = [];
            $missing = 0;
            foreach ($this->course->pursuits as $number => $pursuit) {
                if ($pursuit->by > $by) {
                    $late += $this->hopeless[$number];
                } else {
                    $alone[$pursuit->learner][] = $number;
                    $missing += $this->hopeless[$number];
                }
            }
            $each = 0;
            foreach ($alone as $learner => $pursuits) {
                $each += $this->missingAlone($learner, $pursuits, $by);
            }
            $most = max($most, $late + max($missing, $each, $this->missingTogether(array_merge([], ...$alone), $by)));
        }

        return $most;
    }

    /**
     * What lessons could gain: leaves by learner and knot lacked, and those that need no lesson.
     *
     * @param  list<int>  $pursuits
     * @return array{int, array<int, array<int, int>>, int} missing now; leaves by learner and knot; leaves met without a lesson
     */
    private function gains(array $pursuits, int $by): array
    {
        $missing = $free = 0;
        $gains = [];
        foreach ($pursuits as $number) {
            $pursuit = $this->course->pursuits[$number];
            $missing += $pursuit->ask->missing($this->start->met[$pursuit->learner], $by);
            foreach ($pursuit->ask->targets() as $target) {
                if (($this->earliest->met[$pursuit->learner][$target] ?? Ask::NEVER) > $pursuit->by || isset($this->start->met[$pursuit->learner][$target])) {
                    continue;
                }
                $knot = $this->course->targets[$target]->knot;
                if ($this->start->has($pursuit->learner, $knot)) {
                    $free++;
                } else {
                    $gains[$pursuit->learner][$knot] = ($gains[$pursuit->learner][$knot] ?? 0) + 1;
                }
            }
        }

        return [$missing, $gains, $free];
    }

    /** @param  list<int>  $pursuits  all of this learner */
    private function missingAlone(int $learner, array $pursuits, int $by): int
    {
        [$missing, $gains, $free] = $this->gains($pursuits, $by);
        $hopeless = array_sum(array_map(fn (int $number): int => $this->hopeless[$number], $pursuits));
        $minutes = 0.0;
        $new = 0;
        $checkers = 1;
        for ($meeting = 0; $meeting < $by; $meeting++) {
            if ($this->course->isHere[$meeting][$learner]) {
                $minutes += $this->course->room[$meeting];
                $new += $this->course->limit[$learner];
                $checkers = max($checkers, $this->course->meetings[$meeting]->checkers);
            }
        }
        $items = $fresh = [];
        $known = 0;
        foreach ($gains[$learner] ?? [] as $knot => $gain) {
            $items[] = [$gain, $this->clock->leastLesson($knot, $learner, $checkers)];
            isset($this->course->known[$learner][$knot]) ? $known += $gain : $fresh[] = $gain;
        }
        rsort($fresh);

        return max($hopeless, $missing - $free - (int) floor(min(self::knapsack($items, $minutes), $known + array_sum(array_slice($fresh, 0, $new))) + 1e-6));
    }

    /** @param  list<int>  $pursuits */
    private function missingTogether(array $pursuits, int $by): int
    {
        [$missing, $gains, $free] = $this->gains($pursuits, $by);
        $most = 0;
        foreach (self::WEIGHTS as $weight) {
            $items = [];
            foreach ($gains as $learner => $knots) {
                foreach ($knots as $knot => $gain) {
                    $items[] = [$gain, $this->leastShare($learner, $knot, $weight, $by)];
                }
            }
            $most = max($most, $missing - $free - (int) floor(self::knapsack($items, array_sum(array_slice($this->course->room, 0, $by))) + 1e-6));
        }

        return $most;
    }

    /** The least a lesson costs of the minutes of a meeting, as above, in the meeting that has most of what it needs. */
    private function leastShare(int $learner, int $knot, float $weight, int $by): float
    {
        $lesson = $this->clock->showing($knot, [$learner]);
        $least = INF;
        for ($meeting = 0; $meeting < $by; $meeting++) {
            $people = count($this->course->present[$meeting]);
            if ($people > 0) {
                $least = min($least, (sqrt($weight * $lesson / $people) + sqrt((1 - $weight) / (2 * $this->course->meetings[$meeting]->checkers))) ** 2);
            }
        }

        return $least;
    }

    /** @param  list<array{int, float}>  $items  gain and cost: the most gained for so much, parts of an item allowed */
    private static function knapsack(array $items, float $most): float
    {
        usort($items, static fn (array $a, array $b): int => $b[0] * $a[1] <=> $a[0] * $b[1]);
        $gained = 0.0;
        foreach ($items as [$gain, $cost]) {
            if ($cost <= 0.0) {
                $gained += $gain;
            } elseif ($most > 0.0) {
                $gained += $gain * min(1.0, $most / $cost);
                $most -= $cost;
            }
        }

        return $gained;
    }

    private function completion(): int
    {
        $never = count($this->course->meetings) + 1;
        $alone = [];
        foreach ($this->course->pursuits as $pursuit) {
            $at = $this->completedAlone($pursuit);
            $isInTime = $at <= $pursuit->by;
            foreach ($isInTime ? $pursuit->after : [] as $before) {
                $at = max($at, $this->completedAlone($this->course->pursuits[$before]));
            }
            $alone[] = $isInTime ? min($at, $never) : $never;
        }

        return max([array_sum($alone), ...array_map($this->completedTogether(...), self::WEIGHTS)]);
    }

    private function completedAlone(Pursuit $pursuit): int
    {
        $at = $pursuit->ask->completedAt($this->earliest->met[$pursuit->learner]);
        $chain = [];
        foreach ($at > 0 && $pursuit->ask->isAll() ? $pursuit->ask->targets() : [] as $target) {
            $chain += $this->earliest->chain($pursuit->learner, $this->course->targets[$target]->knot);
        }

        return max($at, $this->earliest->enough($pursuit->learner, $chain) ?? Ask::NEVER);
    }

    /** Those with least work first, each lesson's work shared by the badges that want it: no order completes more of them sooner. */
    private function completedTogether(float $weight): int
    {
        $meetings = count($this->course->meetings);
        $sharing = [];
        foreach ($this->course->pursuits as $pursuit) {
            foreach (array_keys($this->lessons($pursuit)) as $knot) {
                $sharing[$pursuit->learner][$knot] = ($sharing[$pursuit->learner][$knot] ?? 0) + 1;
            }
        }
        $works = [];
        foreach ($this->course->pursuits as $pursuit) {
            $work = 0.0;
            foreach (array_keys($this->lessons($pursuit)) as $knot) {
                $work += $this->leastShare($pursuit->learner, $knot, $weight, $meetings) / $sharing[$pursuit->learner][$knot];
            }
            $works[] = $work;
        }
        sort($works);
        $sum = $work = $room = 0.0;
        $meeting = 0;
        foreach ($works as $each) {
            $work += $each;
            while ($room + Clock::EASE < $work && $meeting <= $meetings) {
                $room += $meeting < $meetings ? $this->course->room[$meeting] : INF;
                $meeting++;
            }
            $sum += $meeting;
        }

        return (int) $sum;
    }

    /** @return array<int, true> knots a learner has to be taught for a badge, where there is no choice */
    private function lessons(Pursuit $pursuit): array
    {
        $chain = [];
        foreach ($pursuit->ask->isAll() ? $pursuit->ask->targets() : [] as $target) {
            if (! isset($this->start->met[$pursuit->learner][$target])) {
                $chain += $this->earliest->chain($pursuit->learner, $this->course->targets[$target]->knot);
            }
        }

        return $chain;
    }

    /** @return list<array{int, int, int}> learner, knot and the number of the meeting at which it is had at the soonest, of leaves that every such plan meets */
    private function certain(bool $all): array
    {
        $certain = [];
        foreach ($this->course->pursuits as $pursuit) {
            foreach ($pursuit->ask->targets() as $target) {
                $knot = $this->course->targets[$target]->knot;
                $at = $this->earliest->taught[$pursuit->learner][$knot] ?? null;
                $met = isset($this->start->met[$pursuit->learner][$target]) || $all && $pursuit->ask->isAll() && ($this->earliest->met[$pursuit->learner][$target] ?? Ask::NEVER) <= $pursuit->by;
                if ($met && $at !== null) {
                    $certain[$pursuit->learner.' '.$knot] = [$pursuit->learner, $knot, $at];
                }
            }
        }

        return array_values($certain);
    }

    /** As if every knot were tied again on every day it can be. */
    private function forgotten(bool $all): float
    {
        $sum = 0.0;
        foreach ($this->certain($all) as [$learner, $knot, $at]) {
            $last = $at > 0 ? $this->course->day[$at - 1] : $this->start->last[$learner][$knot];
            $halfLife = $at > 0 ? $this->course->halfLife[$knot] : $this->start->halfLife[$learner][$knot];
            $sum += 1 - Standing::bestChance($this->course, $learner, $knot, $last, $halfLife, $at);
        }

        return $sum;
    }

    /** The work that has to be done, spread as evenly as can be: by (sum u)^2 <= sum (u / R)^2 x sum R^2. */
    private function crowding(bool $all): float
    {
        $squares = array_sum(array_map(static fn (float $room): float => $room ** 2, $this->course->room));
        if (! $all || $squares <= 0.0) {
            return 0.0;
        }
        $alone = [];
        $together = array_fill_keys(array_keys(self::WEIGHTS), 0.0);
        $seen = [];
        foreach ($this->certain(true) as [$learner, $knot]) {
            foreach (array_keys($this->earliest->chain($learner, $knot)) as $one) {
                if (isset($seen["$learner $one"])) {
                    continue;
                }
                $seen["$learner $one"] = true;
                $least = INF;
                foreach ($this->course->meetings as $meeting) {
                    $least = min($least, $this->clock->leastLesson($one, $learner, $meeting->checkers));
                }
                $alone[$learner] = ($alone[$learner] ?? 0.0) + $least;
                foreach (self::WEIGHTS as $place => $weight) {
                    $together[$place] += $this->leastShare($learner, $one, $weight, count($this->course->meetings));
                }
            }
        }

        return max([0.0, ...$alone, ...$together]) ** 2 / $squares;
    }
}
