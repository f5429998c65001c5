<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Vector;

/**
 * The word of a lashing: where its rope goes in front of poles and where behind them, from its first end to its last. Poles that
 * are passed on the same side one after the other are named together, since their order there depends on where one stands.
 */
final class Passes
{
    /**
     * @param  list<Pole>  $poles
     * @return list<string>
     */
    public static function ofRope(SpaceStrand $rope, array $poles): array
    {
        return array_map(self::name(...), self::runs(self::passes($rope, $poles)));
    }

    /**
     * How far along the rope each of them lies: the same turns of the same lashing, however tight it is.
     *
     * @param  list<Pole>  $poles
     * @return list<float> increasing
     */
    public static function places(SpaceStrand $rope, array $poles): array
    {
        return array_map(static fn (array $run): float => ($run[2] + $run[3]) / 2, self::runs(self::passes($rope, $poles)));
    }

    /**
     * How far along the rope it goes through the plane of the picture, to the front or to the back.
     *
     * @return list<float> increasing
     */
    public static function throughs(SpaceStrand $rope): array
    {
        $gone = 0.0;
        $places = [];
        foreach ($rope->steps() as $k => $step) {
            $from = $rope->points[$k][2];
            $to = $rope->points[$k + 1][2];
            if (($from > 0) !== ($to > 0)) {
                $places[] = $gone + $step * $from / ($from - $to);
            }
            $gone += $step;
        }

        return $places;
    }

    /**
     * @param  list<Pole>  $poles
     * @return list<array{float, string, bool}> length along the rope, pole, whether in front
     */
    private static function passes(SpaceStrand $rope, array $poles): array
    {
        $gone = [0.0];
        foreach ($rope->steps() as $step) {
            $gone[] = $gone[count($gone) - 1] + $step;
        }
        $passes = [];
        foreach ($poles as $pole) {
            $across = [-$pole->way[1], $pole->way[0], 0.0];
            $from = Vector::dot($pole->middle, $across);
            $before = null;
            foreach ($rope->points as $k => $point) {
                $aside = Vector::dot($point, $across) - $from;
                if ($before !== null && ($aside > 0) !== ($before > 0)) {
                    $share = $before / ($before - $aside);
                    $height = $rope->points[$k - 1][2] + ($point[2] - $rope->points[$k - 1][2]) * $share;
                    $passes[] = [$gone[$k - 1] + ($gone[$k] - $gone[$k - 1]) * $share, $pole->id, $height > $pole->middle[2]];
                }
                $before = $aside;
            }
        }

        return $passes;
    }

    /** @return list<string> */
    public static function ofDrawing(KnotPack $knot, Method $method): array
    {
        $diagram = DiagramBuilder::loose($method, $knot->file);
        $passes = [];
        foreach ($diagram->strands as $number => $strand) {
            foreach ($strand->kind->isRope() ? $diagram->visits($number) : [] as $visit) {
                $other = $diagram->strands[$visit->other];
                if (! $other->kind->isRope()) {
                    $passes[] = [$visit->at, $other->id, $visit->over];
                }
            }
        }

        return array_map(self::name(...), self::runs($passes));
    }

    /**
     * @param  list<array{float, string, bool}>  $passes
     * @return list<array{bool, array<string, true>, float, float}> whether in front, the poles, the first place and the last
     */
    private static function runs(array $passes): array
    {
        usort($passes, static fn (array $a, array $b): int => $a[0] <=> $b[0]);
        $runs = [];
        foreach ($passes as [$at, $pole, $isOver]) {
            $last = count($runs) - 1;
            if ($last >= 0 && $runs[$last][0] === $isOver) {
                $runs[$last][1][$pole] = true;
                $runs[$last][3] = $at;
            } else {
                $runs[] = [$isOver, [$pole => true], $at, $at];
            }
        }

        return $runs;
    }

    /** @param  array{bool, array<string, true>, float, float}  $run */
    private static function name(array $run): string
    {
        $poles = array_keys($run[1]);
        sort($poles);

        return ($run[0] ? 'in front of ' : 'behind ').implode(', ', $poles);
    }
}
