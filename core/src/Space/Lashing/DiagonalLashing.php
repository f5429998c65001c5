<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\StrandKind;

/**
 * The diagonal lashing: a timber hitch round both poles where they cross, wraps one way, wraps across them, fraps between the
 * poles, and a clove hitch on the pole in front.
 */
final class DiagonalLashing
{
    /** Turns of the end round its own part, and how far round the poles each takes. */
    private const SPIRALS = 3;

    private const SPIRAL = 0.42;

    /** @return list<Pole> */
    public static function poles(Recipe $recipe): array
    {
        $half = deg2rad($recipe->angle / 2);

        return [
            new Pole('behind', StrandKind::Pole, [0.0, 0.0, -$recipe->radii[0]], [sin($half), cos($half), 0.0], $recipe->radii[0]),
            new Pole('front', StrandKind::Pole, [0.0, 0.0, $recipe->radii[1]], [sin($half), -cos($half), 0.0], $recipe->radii[1]),
        ];
    }

    public static function wind(Recipe $recipe, Winding $rope): void
    {
        $poles = self::poles($recipe);
        [$lane, $off, $wraps, $fraps] = [$rope->lane, $rope->off, $recipe->wraps, $recipe->fraps];
        $quarter = M_PI / 2;
        $turn = 2 * M_PI;
        $middle = ($wraps - 1) / 2 * $lane;

        // The timber hitch: its end spirals round its own part, hooks round the line, and is the turn that holds.
        $hook = 1.5;
        $top = $wraps / 2 * $lane;
        $lies = $top + 0.3 * $lane;
        $turns = self::SPIRALS * $turn;
        $begin = $hook + self::SPIRALS * self::SPIRAL;
        for ($gone = 0.0; $gone <= $turns; $gone += 0.4) {
            $rope->to(self::besideBand($rope, $poles, $begin - ($begin - $hook - 0.25) * $gone / $turns, $lies + $lane, $gone + M_PI / 2, $lane));
        }
        $rope->tailBefore();
        $rope->to($rope->onBand($poles, 0.0, $hook, $lies + 0.9 * $lane, 2.1))
            ->to($rope->onBand($poles, 0.0, $hook - 0.1, $lies, 2.2))
            ->to($rope->onBand($poles, 0.0, $hook - 0.1, $lies - 0.9 * $lane, 1.2))
            ->to($rope->onBand($poles, 0.0, $hook - 0.05, $lies - 0.6 * $lane, 0.2))
            ->to($rope->onBand($poles, 0.0, $hook, $lies, 0.0))
            ->to($rope->onBand($poles, 0.0, $hook + 0.1, $lies + 0.7 * $lane, 0.0))
            ->round($poles, 0.0, $hook + 0.25, $begin + 0.1, $lies + $lane, $lies + $lane, 1.0)
            ->round($poles, 0.0, $begin + 0.5, $hook + $turn - 0.4, $lies + 0.9 * $lane, $lies)
            ->round($poles, 0.0, $hook + $turn - 0.2, $hook + $turn + 0.2, $lies, $lies - 0.1 * $lane, 1.1)
            ->mark('hitch');
        for ($wrap = 0; $wrap < $wraps; $wrap++) {
            $from = $hook + ($wrap + 1) * $turn + ($wrap === 0 ? 0.45 : 0.2);
            // The last goes on behind, and there it turns down for those across.
            $to = $hook + ($wrap + 2) * $turn - ($wrap === $wraps - 1 ? M_PI - 0.25 : 0.0);
            $first = $wrap === 0 ? $lies - 0.2 * $lane : $top - $wrap * $lane;
            $rope->round($poles, 0.0, $from, $to, $first, $top - ($wrap + 1) * $lane)->mark('wrap '.($wrap + 1));
        }
        for ($wrap = 0; $wrap < $wraps; $wrap++) {
            $from = -$quarter - $wrap * $turn - ($wrap === 0 ? 0.6 : 0.2);
            $to = -$quarter - ($wrap + 1) * $turn - ($wrap === $wraps - 1 ? 0.8 : 0.0);
            $rope->round($poles, $quarter, $from, $to, $middle - ($wrap - 0.5) * $lane, $middle - ($wrap + 0.5) * $lane, 1.0)->mark('cross '.($wrap + 1));
        }
        $wide = $rope->onBand($poles, 0.0, 0.0, 0.0, 1.2)[0];
        $tall = $rope->onBand($poles, $quarter, 0.0, 0.0, 2.4)[1];
        for ($frap = 0; $frap < $fraps; $frap++) {
            $to = -$quarter - ($frap + 1) * $turn + ($frap === $fraps - 1 ? $quarter + 0.2 : 0.0);
            for ($angle = -$quarter - $frap * $turn - ($frap === 0 ? 0.45 : 0.0); $angle > $to; $angle -= 0.2) {
                $further = (-$quarter - $angle) / $turn * $lane;
                $rope->to([($wide + $further) * cos($angle), ($tall + $further) * sin($angle), $off * sin(2 * $angle)]);
            }
            $rope->mark('frap '.($frap + 1));
        }
        $far = max($wide, $tall) + ($fraps + 2.5) * $lane;
        $rope->clove($poles[1], $far, 1, 1, -$quarter, 0.9)->tail()->mark('end');
    }

    /**
     * A place beside a band round the poles.
     *
     * @param  list<Pole>  $poles
     * @return array{float, float, float}
     */
    private static function besideBand(Winding $rope, array $poles, float $angle, float $shift, float $about, float $far): array
    {
        $raised = (1 + sin($about)) * $far / $rope->lane;

        return $rope->onBand($poles, 0.0, $angle, $shift + cos($about) * $far, $raised);
    }
}
