<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Point;
use Compadre\Core\Space\Faces;
use Compadre\Core\Space\Form;
use Compadre\Core\Space\Former;
use Compadre\Core\Space\InKnot;
use Compadre\Core\Space\KeptForm;
use Compadre\Core\Space\Lift;
use Compadre\Core\Space\LoopPegs;
use Compadre\Core\Space\Proof;
use Compadre\Core\Space\Scene;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Strain;

/**
 * Makes a knot as a careless hand leaves it: tied right, and not dressed. Each is proven to be the same knot.
 */
final class Carelessly
{
    /** A slack turn stands open so far, in diameters from its middle to the rope's surface. */
    private const OPEN = 1.0;

    /** Left to the rope beside, where there is less room. */
    private const BESIDE = 0.55;

    /** A narrower gap is none to be seen. */
    private const LEAST = 0.3;

    /** Where a loop of the knot is, or another thing that holds it open, no slack is put. */
    private const TAKEN = 3.0;

    /** Moments of how slack is drawn out, the first and the last included. */
    private const MOMENTS = 5;

    /** It is dressed when more than this share of the slack is out: the last of a long loop stays in its bends. */
    private const DRAWN_OUT = 0.6;

    /** A moment whose points are strained by more is left out. */
    private const STRAIN = 0.028;

    /** So many places for a curl are tried. */
    private const TRIED = 6;

    /** In what reaches further, a curl is too small to be seen. */
    private const WIDE = 40.0;

    /** A rope's middle line is no nearer to what it lies on. */
    private const OUT = 0.48;

    /** What takes less than so much more rope than the dressed knot does can hardly be seen. */
    private const MORE = 1.0;

    /** @return list<UntidyForm> */
    public static function tied(KnotPack $knot, Method $method, KeptForm $tidy): array
    {
        $diagram = DiagramBuilder::loose($method, $knot->file);
        $scene = Lift::of($knot, $method);
        $proof = new Proof($scene);

        return [...self::slack($diagram, $scene, $proof, SpaceStrand::lengthOf($tidy->form->tight())), ...self::crossed($diagram, $scene, $proof, $tidy->ropeInKnot), ...self::curled($diagram, $scene, $proof)];
    }

    /**
     * With the widest turn left open that can be.
     *
     * @param  float  $tidy  length of the ropes where it is dressed
     * @return list<UntidyForm> one, or none
     */
    private static function slack(Diagram $diagram, Scene $scene, Proof $proof, float $tidy): array
    {
        foreach (Faces::of($diagram) as [$place, $clear]) {
            $open = min(self::OPEN, $clear - self::BESIDE);
            if ($open < self::LEAST || self::isTaken($scene, $place)) {
                continue;
            }
            $ropes = Former::tight($scene->held(LoopPegs::at($place, $open)), $proof);
            if ($ropes !== null && SpaceStrand::lengthOf($ropes) > $tidy + self::MORE) {
                return [new UntidyForm(Fault::Slack, self::drawnOut($scene->with($ropes), $proof, $tidy) ?? [$ropes])];
            }
        }

        return [];
    }

    /**
     * What held the turn open is taken out, and the ropes are drawn on.
     *
     * @param  float  $tidy  length of the ropes where it is dressed
     * @return ?non-empty-list<list<SpaceStrand>> null where that does not dress it
     */
    private static function drawnOut(Scene $slack, Proof $proof, float $tidy): ?array
    {
        $frames = Former::way($slack, $proof, self::MOMENTS, $tidy - self::MORE);
        if ($frames === null) {
            return null;
        }
        $most = $last = SpaceStrand::lengthOf($slack->ropes);
        $kept = [array_map(static fn (SpaceStrand $rope, SpaceStrand $as): SpaceStrand => $rope->resampled(count($as->points)), $slack->ropes, $frames[0])];
        foreach (array_slice($frames, 1) as $frame) {
            $length = SpaceStrand::lengthOf($frame);
            if ($length < $last && Strain::of($frame) < self::STRAIN) {
                $kept[] = $frame;
                $last = $length;
            }
        }

        return $most - $last > self::DRAWN_OUT * ($most - $tidy) && $proof->isStill($kept[0]) ? $kept : null;
    }

    /**
     * With the twins crossed where it shows most.
     *
     * @param  float  $tidy  rope in the knot where it is dressed
     * @return list<UntidyForm> one, or none
     */
    private static function crossed(Diagram $diagram, Scene $scene, Proof $proof, float $tidy): array
    {
        $best = [];
        $most = $tidy + self::MORE;
        foreach (CrossedTwins::of($diagram, $scene) as $one) {
            $ropes = Former::tight($one, $proof);
            $inKnot = $ropes === null ? 0.0 : self::inKnot($scene, $ropes);
            if ($ropes !== null && $inKnot > $most) {
                $most = $inKnot;
                $best = [new UntidyForm(Fault::Crossed, [$ropes])];
            }
        }

        return $best;
    }

    /**
     * With a curl left in it, as deep in the knot as it holds.
     *
     * @return list<UntidyForm> one, or none
     */
    private static function curled(Diagram $diagram, Scene $scene, Proof $proof): array
    {
        $best = [];
        $least = INF;
        foreach (array_slice(Curls::of($diagram, $scene), 0, self::TRIED) as $one) {
            $ropes = Former::tight($one, $proof);
            if ($ropes === null || ! Curls::areIn($one, $ropes) || Strain::of($ropes) > self::STRAIN || self::wide($ropes) > self::WIDE || ! self::isOut($ropes, $scene->solids)) {
                continue;
            }
            $inKnot = self::inKnot($scene, $ropes);
            if ($inKnot < $least) {
                $least = $inKnot;
                $best = [new UntidyForm(Fault::Curled, [$ropes])];
            }
        }

        return $best;
    }

    /** @param  list<SpaceStrand>  $ropes */
    private static function inKnot(Scene $scene, array $ropes): float
    {
        return InKnot::of(new Form([$ropes], $scene->solids, $scene->pegs, Proof::sides()), $scene->ends);
    }

    /**
     * How far ropes reach, the way they reach furthest of right, up and to the front.
     *
     * @param  list<SpaceStrand>  $ropes
     */
    private static function wide(array $ropes): float
    {
        $points = array_merge(...array_column($ropes, 'points'));

        return max(array_map(static fn (int $axis): float => $points === [] ? 0.0 : max(array_column($points, $axis)) - min(array_column($points, $axis)), [0, 1, 2]));
    }

    /**
     * Whether no rope is pressed into what the knot is tied to.
     *
     * @param  list<SpaceStrand>  $ropes
     * @param  list<Solid>  $solids
     */
    private static function isOut(array $ropes, array $solids): bool
    {
        $points = array_merge(...array_column($ropes, 'points'));
        foreach ($solids as $solid) {
            foreach ($points as $point) {
                if ($solid->distance($point) < self::OUT) {
                    return false;
                }
            }
        }

        return true;
    }

    private static function isTaken(Scene $scene, Point $place): bool
    {
        foreach ($scene->pegs as $peg) {
            if (hypot($peg->from[0] - $place->x, -$peg->from[1] - $place->y) < self::TAKEN) {
                return true;
            }
        }

        return false;
    }
}
