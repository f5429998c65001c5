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

    /** @var list<int> by stock and onward: how many could be used up exactly */
    private array $exact = [];

    /**
     * @param  list<int>  $lengths  longest first
     * @param  list<int>  $counts  wanted of each
     * @param  list<array{id: string, length: int}>  $stock
     */
    public function __construct(private readonly array $lengths, array $counts, array $stock, private readonly int $allowance)
    {
        $this->stock = $stock;
        $reached = [0 => true];
        foreach ($this->lengths as $kind => $length) {
            for ($n = 0; $n < min($counts[$kind], 60); $n++) {
                foreach (array_keys($reached) as $sum) {
                    $reached[$sum + $length + $this->allowance] = true;
                }
                if (count($reached) > 20000) {
                    break 2;
                }
            }
        }
        $rank = [];
        foreach ($this->stock as ['id' => $id, 'length' => $length]) {
            $rank[$id] = isset($reached[$length + $this->allowance]) ? [0, $length, $id] : [1, -$length, $id];
        }
        usort($this->stock, static fn (array $a, array $b): int => $rank[$a['id']] <=> $rank[$b['id']]);
        $left = 0;
        foreach (array_reverse($this->stock) as $one) {
            array_unshift($this->exact, $left += $rank[$one['id']][0] === 0 ? 1 : 0);
        }
        $this->exact[] = 0;
    }

    /**
     * What the stocks from one on can do at best for what is wanted.
     *
     * @param  list<int>  $counts
     * @return array{int, int, int, int}
     */
    public function least(int $from, array $counts): array
    {
        $room = 0;
        $lengths = [];
        foreach (array_slice($this->stock, $from) as $one) {
            $room += $one['length'] + $this->allowance;
            $lengths[] = $one['length'] + $this->allowance;
        }
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
        $cuts = max(0, array_sum($counts) - $wanting - $this->exact[$from]);
        rsort($lengths);
        $opened = 0;
        for ($held = 0; $held < $need && isset($lengths[$opened]); $opened++) {
            $held += $lengths[$opened];
        }

        return [$wanting, $cuts * $this->allowance, $cuts, $opened];
    }
}
