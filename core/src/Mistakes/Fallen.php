<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Topology\Fingerprint;
use Compadre\Core\Topology\GaussCode;

/**
 * What a drawing comes to when nothing holds: every strand wholly above or below the others, and every rope laid down from
 * one end to the other, each pass on top of the last. Such a diagram is no knot, whatever its outline.
 */
final class Fallen
{
    /** @return array<string, true> the fingerprints' keys */
    public static function keys(GaussCode $code): array
    {
        $strands = array_keys($code->strands);
        $ropes = array_values(array_filter($strands, static fn (int $number): bool => $code->strands[$number]->isRope));
        $keys = [];
        foreach (self::orders($strands) as $height) {
            for ($ways = 0; $ways < 2 ** count($ropes); $ways++) {
                $forward = [];
                foreach ($ropes as $n => $rope) {
                    $forward[$rope] = ($ways >> $n & 1) === 0;
                }
                $keys[Fingerprint::of(self::laid($code, array_flip($height), $forward))->key()] = true;
            }
        }

        return $keys;
    }

    /**
     * @param  array<int, int>  $height by strand, the greatest on top
     * @param  array<int, bool>  $forward by rope: whether its later passes lie on the earlier ones
     */
    private static function laid(GaussCode $code, array $height, array $forward): GaussCode
    {
        $flips = [];
        foreach (array_keys($code->turns) as $crossing) {
            [[$a, , $aOver], [$b]] = $code->visitsOf($crossing);
            if ($a === $b && ! isset($forward[$a])) {
                continue;
            }
            $firstOver = $a === $b ? ! $forward[$a] : $height[$a] > $height[$b];
            // Objects keep to each other as they are.
            $bothObjects = ! isset($forward[$a]) && ! isset($forward[$b]);
            if ($firstOver !== $aOver && ! $bothObjects) {
                $flips[] = $crossing;
            }
        }

        return $code->flipped($flips);
    }

    /**
     * @param  list<int>  $strands
     * @return list<list<int>> every order of them
     */
    private static function orders(array $strands): array
    {
        if (count($strands) < 2) {
            return [$strands];
        }
        $orders = [];
        foreach ($strands as $place => $strand) {
            $rest = $strands;
            array_splice($rest, $place, 1);
            foreach (self::orders($rest) as $order) {
                $orders[] = [$strand, ...$order];
            }
        }

        return $orders;
    }
}
