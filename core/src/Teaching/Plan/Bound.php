<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Teaching\TimeModel;

/**
 * What no plan can do better than. Two bounds, both true of every term: what each need comes to when a meeting holds
 * any number of lessons, and what the minutes up to each date can hold at best when lessons may be divided at will.
 */
final class Bound
{
    /** @var array<int|string, array<int, array{list<?int>, list<?int>}>> by where it may be shown, and knot */
    private array $soonest = [];

    /** @var array<int|string, array<int, int>> needs lost for good, by meeting and knot */
    private array $lost = [];

    public function __construct(private readonly PlanCase $case)
    {
    }

    /** The fewest learner-requirements that stay unmet. */
    public function unmet(): int
    {
        $least = 0;
        $days = array_unique(array_map(fn (int $meeting): string => $this->case->meetings[$meeting]->date, array_keys($this->case->meetings)));
        foreach ([...$days, '9999'] as $day) {
            $least = max($least, $this->unmetUntil($day));
        }

        return $least;
    }

    /**
     * Unmet and completion no term can be better than, with the first knots placed and the rest free.
     *
     * @param  array<int, int>  $choice  of the first knots: meeting or -1
     * @return array{int, int}
     */
    public function with(array $choice): array
    {
        return [$this->unmetWith($choice), $this->completionWith($choice)];
    }

    /** @param  array<int, int>  $choice  of the first knots: meeting or -1 */
    public function unmetWith(array $choice): int
    {
        $unmet = 0;
        foreach ($this->case->knots as $knot => $id) {
            $key = $choice[$knot] ?? 'any';
            $unmet += $this->lost[$key][$knot] ??= $this->lostOf($knot, isset($choice[$knot]) ? [$choice[$knot]] : null);
        }

        return $unmet;
    }

    /** @param  array<int, int>  $choice  of the first knots: meeting or -1 */
    public function completionWith(array $choice): int
    {
        $times = [];
        foreach ($this->case->knots as $knot => $id) {
            $times[] = $this->times($knot, isset($choice[$knot]) ? [$choice[$knot]] : null);
        }
        $sum = 0;
        $never = count($this->case->meetings);
        foreach ($this->case->goals as $goal) {
            $last = 0;
            foreach ($goal['leaves'] as [$knot, $two]) {
                $last = max($last, $times[$knot][$two ? 1 : 0][$goal['learner']] ?? $never);
            }
            $sum += $last + 1;
        }

        return $sum;
    }

    /** @param  ?list<int>  $meetings */
    private function lostOf(int $knot, ?array $meetings): int
    {
        [$once, $twice] = $this->times($knot, $meetings);
        $lost = 0;
        foreach (Bits::members($this->case->lacking[$knot] | $this->case->again[$knot]) as $learner) {
            $lost += (Bits::has($this->case->again[$knot], $learner) ? $twice[$learner] : $once[$learner]) === null ? 1 : 0;
        }

        return $lost;
    }

    /**
     * By learner, the soonest meeting in which the knot can be learned, and the soonest for a second day.
     *
     * @param  ?list<int>  $meetings  where it may be shown; null: wherever it is allowed
     * @return array{list<?int>, list<?int>}
     */
    private function times(int $knot, ?array $meetings): array
    {
        $key = $meetings === null ? 'any' : (string) $meetings[0];

        return $this->soonest[$key][$knot] ??= $this->find($knot, min([PHP_INT_MAX, ...array_filter($meetings ?? $this->case->choices($knot), static fn (int $meeting): bool => $meeting >= 0)]));
    }

    /** @return array{list<?int>, list<?int>} */
    private function find(int $knot, int $from): array
    {
        [$once, $twice] = [[], []];
        foreach ($this->case->learners as $learner => $about) {
            $first = Bits::has($this->case->lacking[$knot], $learner) ? $this->soonestAt($knot, $learner, $from) : -1;
            $once[] = $first;
            $twice[] = $first === null ? null : $this->presentFrom($knot, $learner, $first + 1);
        }

        return [$once, $twice];
    }

    private function soonestAt(int $knot, int $learner, int $from): ?int
    {
        foreach ($this->case->meetings as $meeting => $about) {
            if ($meeting >= $from && $this->case->allowed[$knot][$meeting] && $this->isThere($knot, $learner, $meeting)) {
                return $meeting;
            }
        }

        return null;
    }

    private function presentFrom(int $knot, int $learner, int $from): ?int
    {
        for ($meeting = $from; $meeting < count($this->case->meetings); $meeting++) {
            if ($this->isThere($knot, $learner, $meeting)) {
                return $meeting;
            }
        }

        return null;
    }

    private function isThere(int $knot, int $learner, int $meeting): bool
    {
        return Bits::has($this->case->present[$meeting], $learner) && Bits::has($this->case->inTime[$knot][$meeting], $learner);
    }

    /**
     * Needs whose date is no later than a day, against the minutes of the meetings up to it. A lesson for some learners
     * costs at least their share of the lesson for all of its needers of their age and older, so a lesson divided at will
     * is a bound, and the knots with the most needs for a minute fill the time best.
     */
    private function unmetUntil(string $day): int
    {
        $minutes = 0.0;
        $fresh = 0;
        $checkers = 1;
        $until = [];
        foreach ($this->case->meetings as $meeting => $about) {
            if ($about->date <= $day) {
                $minutes += $this->case->room[$meeting];
                $fresh += $this->case->newKnots;
                $checkers = max($checkers, $about->checkers);
                $until[] = $meeting;
            }
        }
        [$items, $lost, $possible] = [[], 0, 0];
        foreach ($this->case->knots as $knot => $id) {
            [$once, $twice] = $this->times($knot, $this->case->pinned[$knot] === null ? null : [$this->case->pinned[$knot]]);
            [$teach, $tie] = [[], 0];
            foreach (Bits::members($this->case->lacking[$knot] | $this->case->again[$knot]) as $learner) {
                if (($this->case->needs->dueFor($id, $this->case->learners[$learner]->id) ?? '9999') > $day) {
                    continue;
                }
                $two = Bits::has($this->case->again[$knot], $learner);
                if (($two ? $twice[$learner] : $once[$learner]) === null) {
                    $lost++;
                } elseif (Bits::has($this->case->lacking[$knot], $learner)) {
                    $teach[] = $learner;
                } else {
                    $tie++;
                }
            }
            $possible += count($teach) + $tie;
            if ($teach !== []) {
                array_push($items, ...$this->slices($knot, $teach, $until, $checkers));
            }
            if ($tie > 0) {
                $items[] = [$this->case->revisit(Bits::of(count($this->case->learners), range(0, $tie - 1)), $until[0] ?? 0) / $tie * ($this->case->meetings[$until[0] ?? 0]->checkers / $checkers), $tie, false];
            }
        }

        return $lost + $possible - self::most($items, $minutes, $fresh);
    }

    /**
     * The least minutes in which some of a knot's needers can be taught, as a convex curve in slices: minutes for each,
     * and how many at that price. Fewest minutes take the oldest first, in one lesson as long as one meeting has them
     * all; those who missed it cost nothing where they could learn beside another lesson; second days come on top.
     *
     * @param  list<int>  $learners
     * @param  list<int>  $until  meetings up to the date
     * @return list<array{float, int, bool}>
     */
    private function slices(int $knot, array $learners, array $until, int $checkers): array
    {
        $set = Bits::of(count($this->case->learners), $learners);
        $together = max(0, ...array_map(fn (int $meeting): int => $this->case->allowed[$knot][$meeting] ? Bits::size($set & $this->case->present[$meeting] & $this->case->inTime[$knot][$meeting]) : 0, $until));
        $two = Bits::size($set & $this->case->again[$knot]);
        $day = $two === 0 ? 0.0 : TimeModel::oldKnot($two, $checkers) * ($this->case->settings->pace?->factor('old') ?? 1.0) / $two;
        usort($learners, fn (int $a, int $b): int => $this->case->learners[$a]->band->factor() <=> $this->case->learners[$b]->band->factor());
        $costs = [0.0];
        $lesson = 0.0;
        foreach (range(1, count($learners)) as $served) {
            if ($served <= $together) {
                $oldest = Bits::of(count($this->case->learners), array_slice($learners, 0, $served));
                $lesson = min($this->case->lessonFor($knot, $oldest, $checkers, 'new'), $this->case->lessonFor($knot, $oldest, $checkers, 'again'));
            } elseif ($served === $together + 1 && $checkers === 1) {
                $lesson += min($this->case->lessonFor($knot, Bits::of(count($this->case->learners), [$learners[0]]), $checkers, 'new'), $this->case->lessonFor($knot, Bits::of(count($this->case->learners), [$learners[0]]), $checkers, 'again'));
            }
            $costs[] = $lesson + max(0, $served - (count($learners) - $two)) * $day;
        }

        return self::hull($costs, $this->case->isNew[$knot]);
    }

    /**
     * The greatest convex curve below some costs of serving 0, 1, 2 and so on.
     *
     * @param  list<float>  $costs
     * @return list<array{float, int, bool}> minutes for each, how many, and whether the first of them is a new knot
     */
    private static function hull(array $costs, bool $isNew): array
    {
        $slices = [];
        $most = count($costs) - 1;
        for ($from = 0; $from < $most; $from = $to) {
            $to = $from;
            $least = INF;
            for ($next = $from + 1; $next <= $most; $next++) {
                $each = ($costs[$next] - $costs[$from]) / ($next - $from);
                if ($each <= $least + 1e-12) {
                    [$to, $least] = [$next, $each];
                }
            }
            $slices[] = [(float) max(0.0, $least), $to - $from, $isNew && $from === 0];
        }

        return $slices;
    }

    /**
     * The most needs met in some minutes with some new knots.
     *
     * @param  list<array{float, int, bool}>  $items  minutes for each need, needs, whether it is a new knot
     */
    private static function most(array $items, float $minutes, int $fresh): int
    {
        usort($items, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $inTime = 0.0;
        foreach ($items as [$each, $needs]) {
            $taken = $each <= 0 ? (float) $needs : min((float) $needs, $minutes / $each);
            $inTime += $taken;
            $minutes = max(0.0, $minutes - $taken * $each);
        }
        usort($items, static fn (array $a, array $b): int => $b[1] <=> $a[1]);
        $byLimit = 0;
        foreach ($items as [, $needs, $new]) {
            if (! $new || $fresh-- > 0) {
                $byLimit += $needs;
            }
        }

        return (int) min(floor($inTime + 1e-6), $byLimit);
    }
}
