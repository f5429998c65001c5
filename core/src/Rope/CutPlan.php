<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * What to cut from which coil or piece in the store. What is there as a piece already, or up to one allowance longer, is used as it
 * is, before anything is cut and whatever that costs in count. Every cut loses an allowance for the end, none where the last piece
 * uses the stock up exactly; offcuts of at least the length worth keeping stay stock. Wasted are allowances and shorter
 * offcuts. Best is what leaves the fewest pieces wanting, wastes least, then cuts least, then opens the fewest stocks.
 * Lengths in mm.
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
}
