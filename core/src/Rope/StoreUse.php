<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * How the store serves what a meeting wants: pieces long enough and not much longer go as they are; the rest is cut from
 * coils and longer pieces; what is left has to be bought.
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
        $taken = $left = [];
        foreach ($wanted as $piece) {
            $missing = $piece['count'];
            foreach ($stock as $number => $one) {
                $take = $one['length'] >= $piece['length'] && $one['length'] <= $piece['length'] + self::LONGER ? min($missing, $one['count']) : 0;
                if ($take > 0) {
                    $taken[] = ['stock' => $one['id'], 'length' => $one['length'], 'count' => $take];
                    $stock[$number]['count'] -= $take;
                    $missing -= $take;
                }
            }
            if ($missing > 0) {
                $left[] = ['length' => $piece['length'], 'count' => $missing];
            }
        }
        $single = [];
        foreach ($stock as $one) {
            for ($number = 1; $number <= $one['count'] && $number <= 100; $number++) {
                $single[] = ['id' => $one['id'].'#'.$number, 'length' => $one['length']];
            }
        }

        return new self($taken, Cutting::plan($left, $single));
    }
}
