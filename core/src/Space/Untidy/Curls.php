<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Space\Lift;
use Compadre\Core\Space\Scene;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Vector;

/**
 * Ropes of a knot with one of them laid in a small curl: where it runs free between two crossings it crosses itself, in a curl that
 * stands up from the drawing and is held open. It is still the same knot; the curl alone would pull out.
 */
final class Curls
{
    /** A length that runs free is at least so long, and at most: further it is a loop that hangs open, or goes on to the load. */
    private const LEAST = 3.2;

    private const MOST = 12.0;

    /** So much of the rope lies under the curl, which is so wide from its middle, and as it crosses itself goes so far aside. */
    private const UNDER = 2.0;

    private const WIDE = 1.25;

    private const ASIDE = 0.95;

    /** What holds it open is so thick, and reaches so far to either side. */
    private const PEG = 0.6;

    private const REACH = 3.0;

    /** A rope's middle line that lies on it is so near, and has turned round it by so much, in radians. */
    private const ON_PEG = 1.2;

    private const TURNED = 4.5;

    /** Points on the curl. */
    private const POINTS = 24;

    /** @return list<Scene> for each length of rope that runs free, the shortest first: it lies deepest in the knot */
    public static function of(Diagram $diagram, Scene $scene): array
    {
        $free = [];
        foreach (Lift::ropes($diagram) as $number => $strand) {
            $visits = $diagram->visits($strand);
            for ($k = 1; $k < count($visits); $k++) {
                $length = $visits[$k]->at - $visits[$k - 1]->at;
                if ($length > self::LEAST && $length < self::MOST) {
                    $free[] = [$length, $number, ($visits[$k]->at + $visits[$k - 1]->at) / 2 / $diagram->strands[$strand]->curve->length()];
                }
            }
        }
        sort($free);

        return array_map(static fn (array $one): Scene => self::curled($scene, $one[1], $one[2]), $free);
    }

    /**
     * @param  int  $number  of the rope
     * @param  float  $share  of it, where the curl is
     */
    private static function curled(Scene $scene, int $number, float $share): Scene
    {
        $rope = $scene->ropes[$number];
        $at = $rope->length() * $share;
        [$before, $middle, $after] = $rope->at([$at - self::UNDER / 2, $at, $at + self::UNDER / 2])->points;
        $side = Vector::way([0.0, 0.0, 0.0], Vector::cross(Vector::way($before, $after), [0.0, 0.0, 1.0]));
        $curl = [];
        for ($k = 0; $k <= self::POINTS; $k++) {
            $turn = 2 * M_PI * $k / self::POINTS;
            [$point] = $rope->at([$at + self::UNDER * ($k / self::POINTS - 0.5) + self::WIDE * sin($turn)])->points;
            $aside = self::ASIDE * sin($turn);
            $curl[] = [$point[0] + $side[0] * $aside, $point[1] + $side[1] * $aside, $point[2] + $side[2] * $aside + self::WIDE * (1 - cos($turn))];
        }
        $gone = 0.0;
        $points = [[], []];
        foreach ($rope->points as $k => $point) {
            $gone += $k === 0 ? 0.0 : Vector::distance($rope->points[$k - 1], $point);
            if (abs($gone - $at) > self::UNDER / 2) {
                $points[$gone < $at ? 0 : 1][] = $point;
            }
        }
        $with = new SpaceStrand($rope->id, false, [...$points[0], ...$curl, ...$points[1]]);
        $ropes = array_map(static fn (SpaceStrand $one): SpaceStrand => $one === $rope ? $with : $one, $scene->ropes);
        $end = static fn (float $reach): array => [$middle[0] + $side[0] * $reach, $middle[1] + $side[1] * $reach, $middle[2] + $side[2] * $reach + self::WIDE];

        return $scene->with($ropes)->held(new Solid(StrandKind::Peg, $end(-self::REACH), $end(self::REACH), self::PEG));
    }

    /**
     * Whether a rope still goes round what held its curl open.
     *
     * @param  list<SpaceStrand>  $ropes
     */
    public static function areIn(Scene $curled, array $ropes): bool
    {
        $peg = $curled->pegs[count($curled->pegs) - 1];
        $across = Vector::cross($peg->way(), [0.0, 0.0, 1.0]);
        $middle = $peg->centre();
        foreach ($ropes as $rope) {
            $turned = 0.0;
            $before = null;
            foreach ($rope->points as $point) {
                $off = [$point[0] - $middle[0], $point[1] - $middle[1], $point[2] - $middle[2]];
                $angle = $peg->distance($point) < self::ON_PEG ? atan2($off[2], Vector::dot($off, $across)) : null;
                $step = $angle === null || $before === null ? null : $angle - $before;
                $turned = $step === null ? 0.0 : $turned + $step - 2 * M_PI * round($step / (2 * M_PI));
                $before = $angle;
                if (abs($turned) > self::TURNED) {
                    return true;
                }
            }
        }

        return false;
    }
}
