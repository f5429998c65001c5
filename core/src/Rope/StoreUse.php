<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * How the store serves what a meeting wants: pieces long enough and not much longer go as they are, as many as any way of giving them
 * out would make go; the rest is cut from coils and longer pieces; what is left has to be bought.
 */
final readonly class StoreUse
{
    /** A piece up to so much longer than wanted is taken as it is, in mm. */
    private const LONGER = 500;

    /**
     * @param  list<array{stock: string, length: int, count: int}>  $taken
     */
    private function __construct(public array $taken, public CutPlan $cuts)
    {
    }

    /**
     * @param  list<array{length: int, count: int}>  $wanted
     * @param  list<array{id: string, length: int, count: int}>  $stock  of one thickness and material; count of equal ones
     */
    public static function of(array $wanted, array $stock): self
    {
        usort($wanted, static fn (array $a, array $b): int => $b['length'] <=> $a['length']);
        usort($stock, static fn (array $a, array $b): int => [$a['length'], $a['id']] <=> [$b['length'], $b['id']]);
        // Each piece that is wanted takes one that serves, or sends another piece on to one that serves that, too.
        $given = array_fill_keys(array_keys($wanted), array_fill(0, count($stock), 0));
        foreach ($wanted as $place => $piece) {
            for ($number = 0; $number < $piece['count']; $number++) {
                $asked = [];
                if (! self::give($place, $wanted, $stock, $given, $asked)) {
                    break;
                }
            }
        }
        $taken = $left = [];
        foreach ($wanted as $place => $piece) {
            foreach (array_filter($given[$place]) as $number => $count) {
                $taken[] = ['stock' => $stock[$number]['id'], 'length' => $stock[$number]['length'], 'count' => $count];
            }
            $missing = $piece['count'] - array_sum($given[$place]);
            if ($missing > 0) {
                $left[] = ['length' => $piece['length'], 'count' => $missing];
            }
        }
        $single = [];
        foreach ($stock as $place => $one) {
            $there = min(100, $one['count'] - array_sum(array_column($given, $place)));
            for ($number = 1; $number <= $there; $number++) {
                $single[] = ['id' => $one['id'].'#'.$number, 'length' => $one['length']];
            }
        }

        return new self($taken, Cutting::plan($left, $single));
    }

    /**
     * Whether one more piece is given; a shorter one is tried before a longer.
     *
     * @param  array<int, array{length: int, count: int}>  $wanted
     * @param  list<array{id: string, length: int, count: int}>  $stock
     * @param  array<int, array<int, int>>  $given  how many of each stock, by piece wanted
     * @param  array<int, true>  $asked  stocks that were asked already
     */
    private static function give(int $to, array $wanted, array $stock, array &$given, array &$asked): bool
    {
        foreach ($stock as $number => $one) {
            if (isset($asked[$number]) || $one['length'] < $wanted[$to]['length'] || $one['length'] > $wanted[$to]['length'] + self::LONGER) {
                continue;
            }
            $asked[$number] = true;
            if (array_sum(array_column($given, $number)) < $one['count']) {
                $given[$to][$number]++;

                return true;
            }
            foreach ($given as $other => $has) {
                if ($has[$number] > 0 && $other !== $to && self::give($other, $wanted, $stock, $given, $asked)) {
                    $given[$other][$number]--;
                    $given[$to][$number]++;

                    return true;
                }
            }
        }

        return false;
    }
}
