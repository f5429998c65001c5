<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\GaussStrand;

/**
 * Changes of a knot's travel: a part travelled the other way, a twist taken out or put in.
 */
final class Retied
{
    /** The last part of a strand, from a place on, travelled the other way: in where it came out, out where it went in. */
    public static function otherWayRound(GaussCode $code, int $strand, int $from): GaussCode
    {
        $visits = $code->strands[$strand]->visits;
        $last = array_slice($visits, $from);

        return self::with($code, $strand, [...array_slice($visits, 0, $from), ...array_reverse($last)], self::once($last));
    }

    /** A half turn less: the strand's two passes do not go round each other there, and what lies between runs backwards. */
    public static function halfTurnLess(GaussCode $code, Bigon $bigon): GaussCode
    {
        $visits = $code->strands[$bigon->strand]->visits;
        $back = $bigon->at;
        $between = array_slice($visits, $bigon->place + 1, $back - $bigon->place - 1);

        return self::without(
            self::with($code, $bigon->strand, [...array_slice($visits, 0, $bigon->place), ...array_reverse($between), ...array_slice($visits, $back + 1)], self::once($between)),
            [$bigon->first],
        );
    }

    /** A half turn more, after the second crossing. */
    public static function halfTurnMore(GaussCode $code, Bigon $bigon): GaussCode
    {
        $visits = $code->strands[$bigon->strand]->visits;
        $over = $visits[$bigon->place][1];
        $new = self::free($code);
        $between = array_slice($visits, $bigon->place + 2, $bigon->at - $bigon->place - 3);
        $more = self::with($code, $bigon->strand, [
            ...array_slice($visits, 0, $bigon->place + 2), [$new, $over],
            ...array_reverse($between),
            [$new, ! $over], ...array_slice($visits, $bigon->at - 1),
        ], self::once($between));

        return new GaussCode($more->strands, $more->turns + [$new => $code->turns[$bigon->first]]);
    }

    /** A whole turn less: neither crossing is there. */
    public static function turnLess(GaussCode $code, Bigon $bigon): GaussCode
    {
        return self::without($code, [$bigon->first, $bigon->second]);
    }

    /** A whole turn more, after the second crossing. */
    public static function turnMore(GaussCode $code, Bigon $bigon): GaussCode
    {
        $over = $code->strands[$bigon->strand]->visits[$bigon->place][1];
        $x = self::free($code);
        $y = $x + 1;
        $along = [[$x, $over], [$y, ! $over]];
        $beside = $bigon->way === 1 ? [[$x, ! $over], [$y, $over]] : [[$y, $over], [$x, ! $over]];
        // Behind the second crossing on this strand; on the other behind it too, or before it where it runs against.
        $inserts = [[$bigon->strand, $bigon->place + 2, $along], [$bigon->other, $bigon->way === 1 ? $bigon->at + 2 : $bigon->at - 1, $beside]];
        usort($inserts, static fn (array $a, array $b): int => $b[1] <=> $a[1]);
        $strands = $code->strands;
        foreach ($inserts as [$number, $place, $visits]) {
            $now = $strands[$number]->visits;
            array_splice($now, $place, 0, $visits);
            $strands[$number] = $strands[$number]->with($now);
        }

        return new GaussCode(array_values($strands), $code->turns + [$x => $code->turns[$bigon->first], $y => $code->turns[$bigon->second]]);
    }

    /** A number that no crossing has. */
    private static function free(GaussCode $code): int
    {
        return max([-1, ...array_keys($code->turns)]) + 1;
    }

    /**
     * @param  list<array{int, bool}>  $visits
     * @param  list<int>  $turned crossings whose strands now run the other way past each other
     */
    private static function with(GaussCode $code, int $strand, array $visits, array $turned): GaussCode
    {
        $strands = $code->strands;
        $strands[$strand] = $strands[$strand]->with($visits);
        $turns = $code->turns;
        foreach ($turned as $crossing) {
            $turns[$crossing] = -$turns[$crossing];
        }

        return new GaussCode(array_values($strands), $turns);
    }

    /** @param  list<int>  $crossings */
    private static function without(GaussCode $code, array $crossings): GaussCode
    {
        return new GaussCode(
            array_map(static fn (GaussStrand $strand): GaussStrand => $strand->with(array_values(array_filter(
                $strand->visits, static fn (array $visit): bool => ! in_array($visit[0], $crossings, true),
            ))), $code->strands),
            array_diff_key($code->turns, array_flip($crossings)),
        );
    }

    /**
     * The crossings that a part of a strand passes once: where it alone is turned round, they turn the other way.
     *
     * @param  list<array{int, bool}>  $part
     * @return list<int>
     */
    private static function once(array $part): array
    {
        return array_keys(array_filter(array_count_values(array_column($part, 0)), static fn (int $times): bool => $times === 1));
    }
}
