<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Space\Lift;
use Compadre\Core\Space\Scene;
use Compadre\Core\Space\SpaceStrand;

/**
 * Ropes of a knot that is tied doubled, with one laid over its twin and further on back over it. In between they have changed places;
 * what crosses them there crosses both alike, so that it is still the same knot.
 */
final class CrossedTwins
{
    /** Going over takes so much of the rope, at most and at least, and leaves so much of what is free. */
    private const MOST = 5.0;

    private const LEAST = 3.8;

    private const LEFT = 0.6;

    /** How far up one goes and the other down where they cross: together the room of two ropes, and some. */
    private const RISE = 0.65;

    /** @return list<Scene> for every two places in which they may cross one after the other */
    public static function of(Diagram $diagram, Scene $scene): array
    {
        $scenes = [];
        foreach (Twins::in($diagram) as $twins) {
            $free = $twins->free($diagram, self::LEAST + self::LEFT);
            for ($k = 1; $k < count($free); $k++) {
                $scenes[] = self::changed($diagram, $scene, $twins, $free[$k - 1][0], $free[$k][0], min(self::MOST, $free[$k - 1][1] - self::LEFT, $free[$k][1] - self::LEFT));
            }
        }

        return $scenes;
    }

    /**
     * @param  float  $from  along the one, the middle of where it goes over
     * @param  float  $to  and of where it comes back
     */
    private static function changed(Diagram $diagram, Scene $scene, Twins $twins, float $from, float $to, float $length): Scene
    {
        $ropes = Lift::ropes($diagram);
        $one = (int) array_search($twins->one, $ropes, true);
        $other = (int) array_search($twins->other, $ropes, true);
        $changes = static fn (float $s): float => min(self::softly(($s - $from) / $length + 0.5), 1 - self::softly(($s - $to) / $length + 0.5));
        $points = array_map(static fn (SpaceStrand $rope): array => $rope->points, $scene->ropes);
        foreach (self::places($diagram, $twins->one, $scene->ropes[$one]) as $k => $s) {
            $share = $changes($s);
            if ($share > 0) {
                $points[$one][$k] = self::between($scene->ropes[$one]->points[$k], self::pointAt($diagram, $twins->other, $scene->ropes[$other], $twins->along($s)), $share, self::RISE);
            }
        }
        foreach (self::places($diagram, $twins->other, $scene->ropes[$other]) as $k => $t) {
            $s = $twins->back($t);
            $share = $s === null ? 0.0 : $changes($s);
            if ($s !== null && $share > 0) {
                $points[$other][$k] = self::between($scene->ropes[$other]->points[$k], self::pointAt($diagram, $twins->one, $scene->ropes[$one], $s), $share, -self::RISE);
            }
        }

        return $scene->with(array_map(static fn (SpaceStrand $rope, array $there): SpaceStrand => new SpaceStrand($rope->id, false, $there), $scene->ropes, $points));
    }

    /** From 0 to 1, without a kink. */
    private static function softly(float $share): float
    {
        return (1 - cos(M_PI * max(0.0, min(1.0, $share)))) / 2;
    }

    /** @return list<float> how far along its strand in the drawing each point of a rope was raised from */
    private static function places(Diagram $diagram, int $strand, SpaceStrand $rope): array
    {
        $length = $diagram->strands[$strand]->curve->length();

        return array_map(static fn (int $k): float => $length * $k / $rope->segments(), array_keys($rope->points));
    }

    /** @return array{float, float, float} */
    private static function pointAt(Diagram $diagram, int $strand, SpaceStrand $rope, float $at): array
    {
        $place = max(0.0, min((float) $rope->segments(), $rope->segments() * $at / $diagram->strands[$strand]->curve->length()));
        $k = min($rope->segments() - 1, (int) $place);

        return self::between($rope->points[$k], $rope->points[$k + 1], $place - $k, 0.0);
    }

    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @return array{float, float, float} on the way, and halfway so much higher
     */
    private static function between(array $from, array $to, float $share, float $rise): array
    {
        return [
            $from[0] + ($to[0] - $from[0]) * $share,
            $from[1] + ($to[1] - $from[1]) * $share,
            $from[2] + ($to[2] - $from[2]) * $share + 4 * $share * (1 - $share) * $rise,
        ];
    }
}
