<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Refusal;

/**
 * Plans what to cut: pieces that are there already first, the rest by search.
 */
final class Cutting
{
    /**
     * @param  list<array{length: int, count: int}>  $pieces  wanted: lengths above 0, counts of 1 or more
     * @param  list<array{id: string, length: int}>  $stock
     */
    public static function plan(array $pieces, array $stock, int $keep = CutPlan::KEEP, int $allowance = CutPlan::ALLOWANCE): CutPlan
    {
        $wanted = [];
        foreach ($pieces as $number => $piece) {
            foreach (['length', 'count'] as $field) {
                if ($piece[$field] < 1) {
                    throw Refusal::of("/pieces/$number/{$field}", $piece[$field], 'rope.count');
                }
            }
            $wanted[$piece['length']] = ($wanted[$piece['length']] ?? 0) + $piece['count'];
        }
        $ids = [];
        foreach ($stock as $number => $one) {
            if (isset($ids[$one['id']])) {
                throw Refusal::of("/stock/$number/id", $one['id'], 'rope.stock_once');
            }
            if ($one['length'] < 1) {
                throw Refusal::of("/stock/$number/length", $one['length'], 'rope.count');
            }
            $ids[$one['id']] = true;
        }
        krsort($wanted);
        [$whole, $wanted, $stock] = self::whole($wanted, $stock, $allowance);
        $plan = CutSearch::in(array_keys($wanted), array_values($wanted), $stock, $keep, $allowance);
        $cuts = [...$whole, ...$plan->cuts];
        usort($cuts, static fn (array $a, array $b): int => $a['stock'] <=> $b['stock']);

        return new CutPlan($cuts, $plan->waste, $plan->bound, $plan->proven, $plan->unmet);
    }

    /**
     * What is there as a piece already is used before anything is cut: a stock of a wanted length, or up to one allowance longer. Of
     * the same length first; then the shortest stock for the shortest piece it can be, which leaves the fewest over.
     *
     * @param  array<int, int>  $wanted  counts by length, the longest first
     * @param  list<array{id: string, length: int}>  $stock
     * @return array{list<array{stock: string, pieces: list<int>, offcut: int}>, array<int, int>, list<array{id: string, length: int}>}
     */
    private static function whole(array $wanted, array $stock, int $allowance): array
    {
        $whole = [];
        usort($stock, static fn (array $a, array $b): int => [$a['length'], $a['id']] <=> [$b['length'], $b['id']]);
        foreach ([0, $allowance] as $longer) {
            foreach ($stock as $number => $one) {
                foreach (array_reverse($wanted, true) as $length => $count) {
                    if ($count > 0 && $length <= $one['length'] && $one['length'] <= $length + $longer) {
                        $whole[] = ['stock' => $one['id'], 'pieces' => [$length], 'offcut' => 0];
                        $wanted[$length]--;
                        unset($stock[$number]);
                        break;
                    }
                }
            }
        }

        return [$whole, array_filter($wanted, static fn (int $count): bool => $count > 0), array_values($stock)];
    }
}
