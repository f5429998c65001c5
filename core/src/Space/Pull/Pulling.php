<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Refusal;
use Compadre\Core\Space\Form;
use Compadre\Core\Space\FreeEnd;
use Compadre\Core\Space\Lift;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Vector;

/**
 * Pulls at a knot that was drawn up, as far as so many rounds bring it: every knot by the same pull. What its tails have crept in
 * by then is compared between knots; it is no measure of a real rope's.
 */
final class Pulling
{
    /** Between points while it is pulled. */
    private const SPACING = 0.35;

    private const ROUNDS = 2500;

    /** Key frames, the tight one included. */
    private const FRAMES = 8;

    /** Tails are made so much longer, so that a knot that creeps is seen to. */
    private const LONGER = 4.0;

    /** Whether a tail has come out is looked at after so many rounds. */
    private const LOOK = 25;

    /** A tail that has crept so far, nearly all its length, has come out. */
    private const OUT = 6.8;

    /** A knot whose tails crept less than their own width held. */
    private const HELD = 1.0;

    /**
     * @param  Form  $form  of the knot, from loose to tight
     * @param  float  $friction  coefficient, rope on rope
     *
     * @throws Refusal where there is nothing that it could be pulled against
     */
    public static function of(KnotPack $knot, Method $method, Form $form, float $friction): Pulled
    {
        $ends = Lift::of($knot, $method)->ends;
        $loads = array_sum(array_map(static fn (array $both): int => ($both[0]->isLoaded ? 1 : 0) + ($both[1]->isLoaded ? 1 : 0), $ends));
        $solids = [...$form->solids, ...$form->pegs];
        if ($knot->lashing !== null || $loads + ($solids === [] ? 0 : 1) < 2) {
            throw self::nothingToPull();
        }
        $tow = new Tow(self::lengthened($form->tight(), $ends), $ends, $solids, $friction, self::SPACING);
        $frames = [$tow->strands()];
        $tails = self::tails($ends);
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $tow->round();
            if ($round % self::LOOK === 0 && self::isOut($tow, $tails)) {
                return new Pulled([...$frames, $tow->strands()], PullResult::FallsOut, self::crept($tow, $tails));
            }
            if ($round * (self::FRAMES - 1) % self::ROUNDS < self::FRAMES - 1) {
                $frames[] = $tow->strands();
            }
        }

        $crept = self::crept($tow, $tails);

        return new Pulled($frames, $crept < self::HELD ? PullResult::Holds : PullResult::Slides, $crept);
    }

    /** @param  list<array{int, bool}>  $tails */
    private static function isOut(Tow $tow, array $tails): bool
    {
        foreach ($tails as $tail) {
            if ($tow->crept($tail) > self::OUT || ! $tow->isHeld($tail[0])) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<array{int, bool}>  $tails */
    private static function crept(Tow $tow, array $tails): float
    {
        return $tails === [] ? 0.0 : array_sum(array_map($tow->crept(...), $tails)) / count($tails);
    }

    public static function nothingToPull(): Refusal
    {
        return Refusal::of('/pull', true, 'space.no_pull');
    }

    /**
     * @param  list<array{FreeEnd, FreeEnd}>  $ends
     * @return list<array{int, bool}> ropes with a tail, and whether it is at their start
     */
    private static function tails(array $ends): array
    {
        $tails = [];
        foreach ($ends as $rope => $both) {
            foreach ($both as $which => $end) {
                if (! $end->isLoaded) {
                    $tails[] = [$rope, $which === 0];
                }
            }
        }

        return $tails;
    }

    /**
     * @param  list<SpaceStrand>  $ropes
     * @param  list<array{FreeEnd, FreeEnd}>  $ends
     * @return list<SpaceStrand>
     */
    private static function lengthened(array $ropes, array $ends): array
    {
        return array_map(static function (SpaceStrand $rope, array $both): SpaceStrand {
            $points = $rope->points;
            if (! $both[0]->isLoaded) {
                array_unshift($points, self::onFrom($points[3] ?? $points[1], $points[0]));
            }
            if (! $both[1]->isLoaded) {
                $last = count($points) - 1;
                $points[] = self::onFrom($points[$last - min(3, $last)], $points[$last]);
            }

            return new SpaceStrand($rope->id, false, $points);
        }, $ropes, $ends);
    }

    /**
     * @param  array{float, float, float}  $before
     * @param  array{float, float, float}  $tip
     * @return array{float, float, float}
     */
    private static function onFrom(array $before, array $tip): array
    {
        $way = Vector::way($before, $tip);

        return [$tip[0] + $way[0] * self::LONGER, $tip[1] + $way[1] * self::LONGER, $tip[2] + $way[2] * self::LONGER];
    }
}
