<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\StrandKind;

/**
 * The square lashing: an upright behind, a spar across in front of it. A clove hitch on the upright below the spar; wraps in
 * front of the spar and behind the upright, later ones outside on the spar and inside on the upright; fraps between the poles;
 * a clove hitch on the spar.
 */
final class SquareLashing
{
    /** @return list<Pole> */
    public static function poles(Recipe $recipe): array
    {
        $lean = deg2rad(90 - $recipe->angle);

        return [
            new Pole('upright', StrandKind::Post, [0.0, 0.0, -$recipe->radii[0]], [0.0, 1.0, 0.0], $recipe->radii[0]),
            new Pole('spar', StrandKind::Pole, [0.0, 0.0, $recipe->radii[1]], [cos($lean), sin($lean), 0.0], $recipe->radii[1]),
        ];
    }

    public static function wind(Recipe $recipe, Winding $rope): void
    {
        [$upright, $spar] = self::poles($recipe);
        [$lane, $off, $wraps, $fraps] = [$rope->lane, $rope->off, $recipe->wraps, $recipe->fraps];
        $quarter = M_PI / 2;
        // Where poles do not cross at a right angle, the room beside each begins further out.
        $lean = deg2rad(90 - $recipe->angle);
        $besideSpar = ($spar->radius + $off + $upright->radius * sin($lean)) / cos($lean);
        $besideUpright = ($upright->radius + $off + $spar->radius * sin($lean)) / cos($lean);
        $inside = static fn (int $wrap): float => $besideSpar + ($wraps - 1 - $wrap) * $lane;
        $outside = static fn (int $wrap): float => $besideUpright + $wrap * $lane;
        $frapped = ['wide' => $besideUpright + $wraps * $lane, 'tall' => $besideSpar + $wraps * $lane];

        $low = $besideSpar + ($wraps + $fraps + 1.5) * $lane;
        $rope->clove($upright, -$low, 1, -1, -0.9, $quarter - 0.2)->tailBefore();
        // Up along the side of the upright, where the fraps will go round it.
        $rope->to($upright->at($quarter + 0.1, -$low + $lane, $off))->to($upright->at($quarter + 0.1, -($besideSpar + $wraps * $lane), $off))->mark('hitch');
        for ($wrap = 0; $wrap < $wraps; $wrap++) {
            $rope->about($spar, $quarter, -$quarter, $outside($wrap))
                ->about($upright, $quarter, 3 * $quarter, $inside($wrap))
                ->about($spar, -$quarter, $quarter, -$outside($wrap))
                ->about($upright, -$quarter, -3 * $quarter, -$inside($wrap))
                ->mark('wrap '.($wrap + 1));
        }
        for ($frap = 0; $frap < $fraps; $frap++) {
            $start = $frap === 0 ? -0.35 : -$quarter + 0.4;
            for ($angle = $start; $angle < 3 * $quarter + 0.4; $angle += 0.2) {
                $rope->to(self::frap($spar, $frapped, $angle, ($frap + ($angle + $quarter) / (2 * M_PI)) * $lane, $off));
            }
            $rope->mark('frap '.($frap + 1));
        }
        $far = $frapped['wide'] + ($fraps + 2.5) * $lane;
        $rope->clove($spar, $far, -1, 1, -$quarter, 0.9)->tail()->mark('end');
    }

    /**
     * Between the poles: in front of the upright, behind the spar.
     *
     * @param  array{wide: float, tall: float}  $size
     * @return array{float, float, float}
     */
    private static function frap(Pole $spar, array $size, float $angle, float $further, float $off): array
    {
        $along = ($size['wide'] + $further) * Winding::squared(cos($angle));

        return [
            $along * $spar->way[0],
            $along * $spar->way[1] + ($size['tall'] + $further) * Winding::squared(sin($angle)),
            -$off * cos(2 * $angle),
        ];
    }
}
