<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Refusal;

/**
 * Closed ropes of any shape, drawn up: how short a rope of one thickness can be in this knot. The length over the thickness is
 * held against published ropelengths.
 */
final class ClosedCurves
{
    public const FEWEST_POINTS = 8;

    public const MOST_POINTS = 2000;

    /** A coordinate, and a diameter, is no further from 0. */
    public const FARTHEST = 1e6;

    /** At most so many of their smallest distances long. */
    private const LONGEST = 2000.0;

    /** Spacings gone through, and the rounds at most. */
    private const STAGES = [[0.4, 4000], [0.3, 4000], [0.2, 8000]];

    private const NO_SHORTER = 0.00002;

    private const SETTLING = 40;

    /** With no places nearer than this, ropes are too long by far; rings as short as the second draw up by themselves. */
    private const SLACK = 1.25;

    private const SHORT = 12.0;

    private const FRAMES = 6;

    /**
     * @param  non-empty-list<SpaceStrand>  $curves
     * @param  float  $diameter  in the same measure as the points
     * @return Form the first frame as it came, in diameters
     *
     * @throws Refusal naming the curve and what is allowed
     */
    public static function tightened(array $curves, float $diameter): Form
    {
        self::hold($curves, $diameter);
        $thickness = self::thickness($curves, $diameter);
        $length = SpaceStrand::lengthOf($curves);
        if ($length > self::LONGEST * $thickness) {
            throw Refusal::of('/closed', round($length / $thickness), 'space.long', ['most' => self::LONGEST]);
        }
        $scaled = array_map(static fn (SpaceStrand $curve): SpaceStrand => $curve->scaled(1 / $thickness), $curves);
        $tightening = new Tightening($scaled, self::STAGES[0][0]);
        $states = [];
        $lengths = [];
        foreach (self::STAGES as [$spacing, $rounds]) {
            $tightening->refine($spacing);
            $tightening->tighten($rounds, static function () use ($tightening, $spacing, &$states, &$lengths): bool {
                self::makeSmaller($tightening, $spacing);
                $now = $tightening->length();
                if ($lengths === [] || $now < 0.97 * $lengths[count($lengths) - 1]) {
                    $states[] = $tightening->strands();
                    $lengths[] = $now;
                }

                return false;
            }, self::NO_SHORTER);
        }
        $tightening->settle(self::SETTLING);
        $frames = [array_map(static fn (SpaceStrand $curve): SpaceStrand => $curve->scaled(1 / $diameter), $curves)];
        $step = max(1, (int) ceil(count($states) / (self::FRAMES - 2)));
        for ($k = 0; $k < count($states); $k += $step) {
            $frames[] = self::settled($states[$k]);
        }
        $frames[] = $tightening->strands();

        return new Form($frames, [], [], Proof::sides());
    }

    /**
     * Where no place is near another, all of it is made smaller: nothing passes through anything by that, and long thin loops need
     * not be walked in step by step.
     */
    private static function makeSmaller(Tightening $tightening, float $spacing): void
    {
        $shortest = min(array_map(static fn (SpaceStrand $strand): float => $strand->length(), $tightening->strands()) ?: [0.0]);
        if ($shortest > self::SHORT && $tightening->leastOfPairs() > self::SLACK) {
            $tightening->refine($spacing, 1.02 / self::SLACK);
        }
    }

    /**
     * @param  list<SpaceStrand>  $strands
     * @return list<SpaceStrand>
     */
    private static function settled(array $strands): array
    {
        $tightening = new Tightening($strands, self::STAGES[2][0]);
        $tightening->settle(self::SETTLING);

        return $tightening->strands();
    }

    /**
     * Whether every frame is the same knot as the first.
     */
    public static function isSame(Form $form): bool
    {
        $marks = [];
        foreach ($form->frames as $frame) {
            array_push($marks, ...Proof::marks($frame));
        }

        return count(array_unique($marks)) === 1 && $marks[0] !== '';
    }

    /**
     * The thickest rope that the curves leave room for as they lie, at least as thick as given.
     *
     * @param  non-empty-list<SpaceStrand>  $curves
     */
    private static function thickness(array $curves, float $diameter): float
    {
        $most = min(array_map(static fn (SpaceStrand $curve): float => $curve->length(), $curves)) / M_PI;
        $thickness = $diameter;
        for ($k = 0; $k < 30; $k++) {
            $next = min($most, Nearness::least($curves, $thickness));
            if ($next <= $thickness * 1.0001) {
                break;
            }
            $thickness = $next;
        }

        return $thickness;
    }

    /** @param  non-empty-list<SpaceStrand>  $curves */
    private static function hold(array $curves, float $diameter): void
    {
        foreach ($curves as $number => $curve) {
            foreach ($curve->points as $k => $point) {
                if ($point === $curve->points[($k + 1) % count($curve->points)]) {
                    throw Refusal::of("/closed/$number/$k", $point, 'space.apart');
                }
            }
            if ($curve->length() < M_PI * $diameter) {
                throw Refusal::of('/diameter', $diameter, 'space.circle', ['most' => sprintf('%.4g', $curve->length() / M_PI), 'curve' => $number]);
            }
        }
        $span = max(array_map(static fn (SpaceStrand $curve): float => $curve->length(), $curves));
        $touching = Nearness::least($curves, 1e-7 * $span);
        if ($touching < 1e-7 * $span) {
            throw Refusal::of('/closed', round($touching, 9), 'space.touch');
        }
        $least = Nearness::least($curves, $diameter);
        if ($least < 0.97 * $diameter) {
            throw Refusal::of('/diameter', $diameter, 'space.nearest', ['most' => sprintf('%.4g', self::thickest($curves, $diameter))]);
        }
    }

    /** @param  list<SpaceStrand>  $curves */
    private static function thickest(array $curves, float $tooThick): float
    {
        $low = 0.0;
        $high = $tooThick;
        for ($k = 0; $k < 30; $k++) {
            $middle = ($low + $high) / 2;
            if (Nearness::least($curves, $middle) >= $middle) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return $low;
    }
}
