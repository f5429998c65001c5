<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Topology\GaussCode;

/**
 * Places where two strands twist round each other: two crossings that follow each other on both strands, over and then under.
 */
final class Bigons
{
    /**
     * @return list<Bigon>
     */
    public static function of(GaussCode $code): array
    {
        $places = [];
        foreach (array_keys($code->turns) as $crossing) {
            $places[$crossing] = $code->visitsOf($crossing);
        }
        $found = [];
        foreach ($code->strands as $number => $strand) {
            for ($place = 0; $place < count($strand->visits) - 1; $place++) {
                [$first, $over] = $strand->visits[$place];
                [$second, $then] = $strand->visits[$place + 1];
                if ($first === $second || $over === $then) {
                    continue;
                }
                [$otherStrand, $at] = self::other($places[$first], $number, $place);
                [$sameStrand, $next] = self::other($places[$second], $number, $place + 1);
                if ($otherStrand !== $sameStrand || abs($next - $at) !== 1 || isset($found["$second-$first"])) {
                    continue;
                }
                $found["$first-$second"] = new Bigon($first, $second, $number, $place, $otherStrand, $at, $next - $at);
            }
        }

        return array_values($found);
    }

    /**
     * @param  list<array{int, int, bool}>  $visits
     * @return array{int, int}
     */
    private static function other(array $visits, int $strand, int $place): array
    {
        [$a, $b] = $visits + [[0, 0, false], [0, 0, false]];

        return [$a[0], $a[1]] === [$strand, $place] ? [$b[0], $b[1]] : [$a[0], $a[1]];
    }
}
