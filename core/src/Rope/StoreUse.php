<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Data\HandOut;

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
        $given = HandOut::most(
            array_column($wanted, 'count'), array_column($stock, 'count'),
            static fn (int $place, int $number): bool => $stock[$number]['length'] >= $wanted[$place]['length'] && $stock[$number]['length'] <= $wanted[$place]['length'] + self::LONGER,
        );
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
}
