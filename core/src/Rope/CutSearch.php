<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * Looks for the best cut plan: first as a careful person would (the longest pieces into the shortest stock that takes them),
 * then through all ways of cutting one stock after the other, leaving out what a bound shows to be no better and what was
 * met before at less cost. Work is counted, not timed: the same store, the same plan.
 */
final class CutSearch
{
    /** Up to so many pieces of so few lengths every way is looked at; beyond, the plan made by hand stands with its bound. */
    private const PIECES = 40;

    private const LENGTHS = 4;

    /** So many ways of cutting a stock are looked at. */
    private const STEPS = 600_000;

    /** @var list<array{id: string, length: int}> */
    private readonly array $stock;

    private readonly CutBound $bound;

    /** @var list<array<int, int>> counts cut from each stock, the best so far */
    private array $best = [];

    /** @var array{int, int, int, int} pieces wanting, mm wasted, cuts, stocks opened */
    private array $mark = [PHP_INT_MAX, 0, 0, 0];

    /** @var array<string, array{int, int, int}> the least cost at which a place was met */
    private array $met = [];

    private int $steps = 0;

    /**
     * @param  list<int>  $lengths  longest first
     * @param  list<int>  $counts  wanted of each
     * @param  list<array{id: string, length: int}>  $stock
     */
    private function __construct(private readonly array $lengths, array $counts, array $stock, private readonly int $keep, private readonly int $allowance)
    {
        $this->bound = new CutBound($lengths, $counts, $stock, $allowance);
        $this->stock = $this->bound->stock;
    }

    /**
     * @param  list<int>  $lengths  longest first, each once
     * @param  list<int>  $counts  wanted of each
     * @param  list<array{id: string, length: int}>  $stock
     */
    public static function in(array $lengths, array $counts, array $stock, int $keep, int $allowance): CutPlan
    {
        $search = new self($lengths, $counts, $stock, $keep, $allowance);
        foreach ([array_keys($lengths), array_reverse(array_keys($lengths))] as $kinds) {
            $search->byHand($counts, $kinds, true);
            $search->byHand($counts, $kinds, false);
        }
        $least = $search->bound->least(0, $counts);
        $small = array_sum($counts) <= self::PIECES && count($lengths) <= self::LENGTHS;
        $proven = $search->mark <= $least || $small && $search->cut(0, $counts, [], [0, 0, 0]);

        return $search->plan($counts, $proven, $least);
    }

    /**
     * One kind of piece after the other, as many at a time as fit: into a stock that they use up exactly, then into one that is open already, then
     * into the shortest (or the longest) that takes them.
     *
     * @param  list<int>  $counts
     * @param  list<int>  $kinds  in the order they are cut: the longest first, or the shortest, of which more are met
     */
    private function byHand(array $counts, array $kinds, bool $shortest): void
    {
        $used = array_fill(0, count($this->stock), array_fill(0, count($this->lengths), 0));
        $room = array_map(fn (array $one): int => $one['length'] + $this->allowance, $this->stock);
        $order = array_keys($this->stock);
        usort($order, fn (int $a, int $b): int => [$shortest ? $this->stock[$a]['length'] : -$this->stock[$a]['length'], $a] <=> [$shortest ? $this->stock[$b]['length'] : -$this->stock[$b]['length'], $b]);
        foreach ($kinds as $kind) {
            $each = $this->lengths[$kind] + $this->allowance;
            foreach ([0, 1, 2] as $pass) {
                foreach ($order as $number) {
                    $isOpen = $room[$number] < $this->stock[$number]['length'] + $this->allowance;
                    $fit = min($counts[$kind], $this->most($room[$number], $each));
                    if ($fit > 0 && match ($pass) {
                        0 => $room[$number] === $fit * $each, 1 => $isOpen, default => true
                    }) {
                        $used[$number][$kind] += $fit;
                        $room[$number] -= $fit * $each;
                        $counts[$kind] -= $fit;
                    }
                }
            }
        }
        $cost = [0, 0, 0];
        foreach ($used as $number => $cut) {
            $cost = $this->with($cost, $this->stock[$number]['length'], $cut);
        }
        $this->offer($used, array_sum($counts), $cost);
    }

    /** How many pieces a stock still takes: what is left has to be nothing, or enough for the last cut. */
    private function most(int $room, int $each): int
    {
        $most = intdiv($room, $each);

        // Room counts one allowance more than there is: a rest of less than that is no room for the cut before it.
        return $most > 0 && ($rest = $room - $most * $each) !== 0 && $rest < $this->allowance ? $most - 1 : $most;
    }

    /**
     * What is left of a stock after cutting some of each length from it; null where it is too short.
     *
     * @param  array<int, int>  $cut
     */
    private function offcut(int $length, array $cut): ?int
    {
        foreach ($cut as $kind => $count) {
            $length -= $count * ($this->lengths[$kind] + $this->allowance);
        }
        if ($length === -$this->allowance && array_sum($cut) > 0) {
            return 0;
        }

        return $length < 0 ? null : $length;
    }

    /**
     * @param  array{int, int, int}  $cost
     * @param  array<int, int>  $cut
     * @return array{int, int, int}
     */
    private function with(array $cost, int $length, array $cut): array
    {
        $pieces = array_sum($cut);
        if ($pieces === 0) {
            return $cost;
        }
        $sum = 0;
        foreach ($cut as $kind => $count) {
            $sum += $count * $this->lengths[$kind];
        }
        $cuts = $length === $sum + ($pieces - 1) * $this->allowance ? $pieces - 1 : $pieces;
        $offcut = $length - $sum - $cuts * $this->allowance;

        return [$cost[0] + $cuts * $this->allowance + ($offcut < $this->keep ? $offcut : 0), $cost[1] + $cuts, $cost[2] + 1];
    }

    /**
     * @param  list<array<int, int>>  $used
     * @param  array{int, int, int}  $cost
     */
    private function offer(array $used, int $wanting, array $cost): void
    {
        if ([$wanting, ...$cost] < $this->mark) {
            [$this->best, $this->mark] = [$used, [$wanting, ...$cost]];
        }
    }

    /**
     * @param  list<int>  $counts  still wanted
     * @param  list<array<int, int>>  $used
     * @param  array{int, int, int}  $cost
     * @return bool whether everything was looked at or shown to be no better
     */
    private function cut(int $number, array $counts, array $used, array $cost): bool
    {
        if ($number === count($this->stock) || array_sum($counts) === 0) {
            $this->offer([...$used, ...array_fill(0, count($this->stock) - $number, array_fill(0, count($counts), 0))], array_sum($counts), $cost);

            return true;
        }
        $least = $this->bound->least($number, $counts);
        if ([$least[0], $cost[0] + $least[1], $cost[1] + $least[2], $cost[2] + $least[3]] >= $this->mark) {
            return true;
        }
        $place = $number.':'.implode(',', $counts);
        if (isset($this->met[$place]) && $this->met[$place] <= $cost) {
            return true;
        }
        $this->met[$place] = $cost;
        // Stocks of one length are one and the same: the later is never cut into more than the one before.
        $before = $number > 0 && $this->stock[$number - 1]['length'] === $this->stock[$number]['length'] ? $used[$number - 1] : null;
        foreach ($this->ways($this->stock[$number]['length'], $counts) as $cut) {
            if (++$this->steps > self::STEPS) {
                return false;
            }
            if ($before !== null && $cut > $before) {
                continue;
            }
            $left = array_map(static fn (int $wanted, int $taken): int => $wanted - $taken, $counts, $cut);
            if (! $this->cut($number + 1, $left, [...$used, $cut], $this->with($cost, $this->stock[$number]['length'], $cut))) {
                return false;
            }
        }

        return true;
    }

    /**
     * Every way to cut a stock into wanted pieces, the fullest first, and not at all.
     *
     * @param  list<int>  $counts
     * @return list<list<int>>
     */
    private function ways(int $length, array $counts): array
    {
        $ways = [[]];
        foreach ($counts as $kind => $count) {
            $next = [];
            foreach ($ways as $way) {
                $room = $length + $this->allowance;
                foreach ($way as $other => $taken) {
                    $room -= $taken * ($this->lengths[$other] + $this->allowance);
                }
                for ($taken = min($count, intdiv($room, $this->lengths[$kind] + $this->allowance)); $taken >= 0; $taken--) {
                    $next[] = [...$way, $taken];
                }
            }
            $ways = $next;
            $this->steps += count($ways);
            if ($this->steps > self::STEPS) {
                break;
            }
        }
        $found = [];
        foreach ($ways as $way) {
            $offcut = $this->offcut($length, $way);
            if ($offcut !== null) {
                $found[] = [$offcut === 0 ? 0 : 1, -array_sum($way), $way];
            }
        }
        sort($found);

        return array_column($found, 2);
    }

    /**
     * @param  list<int>  $counts
     * @param  array{int, int, int, int}  $least
     */
    private function plan(array $counts, bool $proven, array $least): CutPlan
    {
        $cuts = [];
        foreach ($this->best as $number => $cut) {
            if (array_sum($cut) === 0) {
                continue;
            }
            $pieces = [];
            foreach ($cut as $kind => $count) {
                array_push($pieces, ...array_fill(0, $count, $this->lengths[$kind]));
                $counts[$kind] -= $count;
            }
            $cuts[] = ['stock' => $this->stock[$number]['id'], 'pieces' => $pieces, 'offcut' => (int) $this->offcut($this->stock[$number]['length'], $cut)];
        }
        usort($cuts, static fn (array $a, array $b): int => $a['stock'] <=> $b['stock']);
        $unmet = [];
        foreach ($counts as $kind => $count) {
            if ($count > 0) {
                $unmet[] = ['length' => $this->lengths[$kind], 'count' => $count];
            }
        }

        return new CutPlan($cuts, $this->mark[1], $proven ? $this->mark[1] : ($this->mark[0] === $least[0] ? $least[1] : 0), $proven, $unmet);
    }
}
