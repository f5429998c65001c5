<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Refusal;

/**
 * What to cut from which coil or piece in the store. Every cut loses an allowance for the end, none where the last piece
 * uses the stock up exactly; offcuts of at least the length worth keeping stay stock. Wasted are allowances and shorter
 * offcuts. Best is what leaves the fewest pieces wanting, wastes least, then cuts least, then opens the fewest stocks; a
 * stock of the right length already is never cut. Lengths in mm.
 */
final readonly class CutPlan
{
    public const KEEP = 600;

    public const ALLOWANCE = 20;

    /**
     * @param  list<array{stock: string, pieces: list<int>, offcut: int}>  $cuts  by stock, pieces longest first
     * @param  int  $bound  no plan that meets as much wastes less than this, in mm
     * @param  list<array{length: int, count: int}>  $unmet
     */
    public function __construct(public array $cuts, public int $waste, public int $bound, public bool $proven, public array $unmet)
    {
    }

    /**
     * @param  list<array{length: int, count: int}>  $pieces  wanted: lengths above 0, counts of 1 or more
     * @param  list<array{id: string, length: int}>  $stock
     */
    public static function of(array $pieces, array $stock, int $keep = self::KEEP, int $allowance = self::ALLOWANCE): self
    {
        $wanted = [];
        foreach ($pieces as $number => $piece) {
            foreach (['length', 'count'] as $field) {
                if ($piece[$field] < 1) {
                    throw Refusal::of("/pieces/$number/{$field}", $piece[$field], 'a whole number of at least 1');
                }
            }
            $wanted[$piece['length']] = ($wanted[$piece['length']] ?? 0) + $piece['count'];
        }
        $ids = [];
        foreach ($stock as $number => $one) {
            if (isset($ids[$one['id']])) {
                throw Refusal::of("/stock/$number/id", $one['id'], 'a name that no other stock has');
            }
            if ($one['length'] < 1) {
                throw Refusal::of("/stock/$number/length", $one['length'], 'a whole number of at least 1');
            }
            $ids[$one['id']] = true;
        }
        krsort($wanted);

        return CutSearch::in(array_keys($wanted), array_values($wanted), $stock, $keep, $allowance);
    }
}
