<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Refusal;

/**
 * Makes a knot's form in space from its flat drawing: raised, drawn up, and proven at every key frame.
 */
final class Former
{
    /** Points are so far apart while it is drawn up, and when it is kept. */
    private const COARSE = 0.4;

    private const FINE = 0.2;

    /** Key frames, the loose and the tight one included. */
    private const FRAMES = 8;

    /** A state is remembered when the ropes have got shorter by this share. */
    private const STEP = 0.01;

    private const ROUNDS = 3000;

    private const FINE_ROUNDS = 600;

    /** Rounds without pulling that make room where places lie a little too near. */
    private const SETTLING = 60;

    /** The spacing of the kept points in the tight frame, and the most in any. */
    private const KEPT = 0.2;

    private const KEPT_LOOSE = 0.32;

    /**
     * A form with what is measured of it.
     *
     * @throws Refusal where the drawing cannot be raised to the knot it is
     */
    public static function kept(KnotPack $knot, Method $method): KeptForm
    {
        $scene = Lift::of($knot, $method);
        $form = self::drawnUp($scene, $knot, $method);

        return new KeptForm($form, InKnot::of($form, $scene->ends));
    }

    /** @throws Refusal where the drawing cannot be raised to the knot it is */
    public static function of(KnotPack $knot, Method $method): Form
    {
        return self::drawnUp(Lift::of($knot, $method), $knot, $method);
    }

    private static function drawnUp(Scene $scene, KnotPack $knot, Method $method): Form
    {
        $proof = new Proof($scene);
        $kept = self::frames($scene, $proof, self::FRAMES);
        foreach ($kept as $number => $frame) {
            if (! $proof->isStill($frame)) {
                throw Refusal::of('/method', $method->id, 'space.other_knot', ['knot' => $knot->id, 'method' => $method->id, 'frame' => $number]);
            }
        }

        return new Form($kept, $scene->solids, $scene->pegs, Proof::sides());
    }

    /**
     * The way of ropes from where they lie to where they are drawn up.
     *
     * @param  int  $most  moments of it, at least 2
     * @param  float  $to  how long they are when they have been drawn up enough: without friction, some would go on into another shape
     * @return ?non-empty-list<list<SpaceStrand>> each rope by as many points in each; null where it is another knot on the way
     */
    public static function way(Scene $scene, Proof $proof, int $most, float $to): ?array
    {
        $frames = self::frames($scene, $proof, $most, $to);
        foreach ($frames as $frame) {
            if (! $proof->isStill($frame)) {
                return null;
            }
        }

        return $frames;
    }

    /** @return non-empty-list<list<SpaceStrand>> the same, not proven but for its end */
    private static function frames(Scene $scene, Proof $proof, int $most, float $to = 0.0): array
    {
        $solids = [...$scene->solids, ...$scene->pegs];
        [$states, $lengths] = self::states($scene, $proof);
        $goesOn = false;
        while (count($states) > 1 && count($lengths) > 1 && $lengths[count($lengths) - 1] < $to) {
            array_pop($states);
            array_pop($lengths);
            $goesOn = true;
        }
        $chosen = KeyFrames::chosen($lengths, $most);
        $frames = array_map(static fn (int $index): array => self::settled($states[$index], $scene, $solids, ! $goesOn && $index === count($states) - 1), $chosen);
        $counts = array_map(static fn (SpaceStrand $loose, SpaceStrand $tight): int => 1 + (int) ceil(max($tight->length() / self::KEPT, $loose->length() / self::KEPT_LOOSE)), $frames[0], $frames[count($frames) - 1]);

        return array_map(static fn (array $frame): array => array_map(static fn (SpaceStrand $strand, int $count): SpaceStrand => $strand->resampled($count), $frame, $counts), $frames);
    }

    /**
     * Only the end of it: ropes drawn up as far as they go and still are the knot.
     *
     * @return ?list<SpaceStrand> null where they are not
     */
    public static function tight(Scene $scene, Proof $proof): ?array
    {
        [$states] = self::states($scene, $proof);
        $ropes = array_map(static fn (SpaceStrand $rope): SpaceStrand => $rope->resampled(1 + (int) ceil($rope->length() / self::KEPT)), self::settled($states[count($states) - 1], $scene, [...$scene->solids, ...$scene->pegs], true));

        return $proof->isStill($ropes) ? $ropes : null;
    }

    /** @return array{non-empty-list<list<SpaceStrand>>, non-empty-list<float>} the states on the way, and how long the ropes are in each */
    private static function states(Scene $scene, Proof $proof): array
    {
        $tightening = new Tightening($scene->ropes, self::COARSE, [...$scene->solids, ...$scene->pegs], $scene->ends, self::gathering($scene));
        $tightening->settle(self::SETTLING);
        [$states, $lengths] = KeyFrames::drawnUp($tightening, self::ROUNDS, self::STEP);
        // What friction would hold, a rope without it may let swing round in the end: the last that is still the knot is the tight one.
        while (count($states) > 1 && count($lengths) > 1 && ! $proof->isStill($states[count($states) - 1])) {
            array_pop($states);
            array_pop($lengths);
        }

        return [$states, $lengths];
    }

    /**
     * @param  list<SpaceStrand>  $ropes
     * @param  list<Solid>  $solids
     * @return list<SpaceStrand>
     */
    private static function settled(array $ropes, Scene $scene, array $solids, bool $draw): array
    {
        $tightening = new Tightening($ropes, self::FINE, $solids, $scene->ends, self::gathering($scene));
        if ($draw) {
            $tightening->tighten(self::FINE_ROUNDS);
        }
        $tightening->settle(self::SETTLING);

        return $tightening->strands();
    }

    /** @return list<Gathering> */
    private static function gathering(Scene $scene): array
    {
        return $scene->gathers ? array_map(static fn (Solid $bar): Gathering => new Gathering($bar), $scene->solids) : [];
    }
}
