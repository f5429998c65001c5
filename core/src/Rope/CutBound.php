<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * What no cut plan can do better than, and the order in which stocks are best looked at: those that could be used up exactly
 * (the only ones that save a cut) first, then the longest.
 */
final class CutBound
{
    /** @var list<array{id: string, length: int}> */
    public array $stock;

    /** So many sums of pieces are looked at, to know which stocks could be used up exactly. */
    private const SUMS = 200_000;

    /** Of more stocks than this the fewest to be opened is looked up for all together only. */
    private const MANY = 60;

    /** How many of the stocks, at the head, could be used up exactly. */
    private int $exact;

    /** @var list<int> by stock: what it and those after it hold */
    private array $room = [];

    /** @var array<int, list<int>> by stock: what it and those after it hold, the longest first */
    private array $longest = [];

    /**
     * @param  list<int>  $lengths  longest first
     * @param  list<int>  $counts  wanted of each
     * @param  list<array{id: string, length: int}>  $stock
     */
    public function __construct(private readonly array $lengths, array $counts, array $stock, private readonly int $allowance)
    {
        $this->stock = $stock;
        $reached = self::sums($this->lengths, $counts, $allowance, max([0, ...array_column($stock, 'length')]) + $allowance);
        $rank = [];
        foreach ($this->stock as ['id' => $id, 'length' => $length]) {
            // Where the sums are too many to be looked at, any stock might be one: that makes no bound untrue.
            $rank[$id] = $reached === null || isset($reached[$length + $allowance]) ? [0, $length, $id] : [1, -$length, $id];
        }
        usort($this->stock, static fn (array $a, array $b): int => $rank[$a['id']] <=> $rank[$b['id']]);
        $this->exact = count(array_filter($rank, static fn (array $one): bool => $one[0] === 0));
        foreach (array_reverse($this->stock) as $one) {
            array_unshift($this->room, ($this->room[0] ?? 0) + $one['length'] + $allowance);
        }
        $this->room[] = 0;
        $longest = $this->stock;
        for ($from = count($longest); $from >= 0; $from--) {
            $this->longest[$from] = array_map(static fn (array $one): int => $one['length'] + $allowance, array_slice($longest, $from));
            rsort($this->longest[$from]);
            if (count($longest) > self::MANY) {
                break;
            }
        }
    }

    /**
     * Every length that some of the pieces come to, each with its allowance.
     *
     * @param  list<int>  $lengths
     * @param  list<int>  $counts
     * @return ?array<int, true> null where they are too many
     */
    private static function sums(array $lengths, array $counts, int $allowance, int $most): ?array
    {
        $reached = [0 => true];
        foreach ($lengths as $kind => $length) {
            $now = $reached;
            foreach (array_keys($reached) as $sum) {
                for ($n = 1; $n <= $counts[$kind] && ($next = $sum + $n * ($length + $allowance)) <= $most; $n++) {
                    $now[$next] = true;
                }
                if (count($now) > self::SUMS) {
                    return null;
                }
            }
            $reached = $now;
        }

        return $reached;
    }

    /**
     * What the stocks from one on can do at best for what is wanted.
     *
     * @param  list<int>  $counts
     * @return array{int, int, int, int}
     */
    public function least(int $from, array $counts): array
    {
        $room = $this->room[$from];
        $need = 0;
        foreach ($counts as $kind => $count) {
            $need += $count * ($this->lengths[$kind] + $this->allowance);
        }
        $wanting = 0;
        foreach ($counts as $kind => $count) {
            for (; $count > 0 && $need > $room; $count--) {
                $need -= $this->lengths[$kind] + $this->allowance;
                $wanting++;
            }
        }
        // Of the stocks that could be used up exactly, no more than what is wanted can fill; the shortest are the most.
        $exact = 0;
        for ($at = $from, $filled = 0; $at < $this->exact && ($filled += $this->stock[$at]['length'] + $this->allowance) <= $need; $at++) {
            $exact++;
        }
        $cuts = max(0, array_sum($counts) - $wanting - $exact);
        $lengths = $this->longest[$from] ?? [];
        $opened = $need > 0 && $lengths === [] ? 1 : 0;
        for ($held = 0; $held < $need && isset($lengths[$opened]); $opened++) {
            $held += $lengths[$opened];
        }

        return [$wanting, $cuts * $this->allowance, $cuts, $opened];
    }
}
