<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Knots\StrandKind;

/**
 * Lashings of poles that lie side by side: the shear lashing, and both of the tripod. A clove hitch on the first pole; turns
 * round all of them, or woven between them; fraps in each gap; a clove hitch, which is two half hitches laid the same way.
 */
final class SideBySide
{
    /** From pole to pole: a rope goes between. */
    private const GAP = 1.15;

    private const NAMES = [2 => ['left', 'right'], 3 => ['left', 'middle', 'right']];

    /** @return list<Pole> */
    public static function poles(Recipe $recipe): array
    {
        $wide = 2 * array_sum($recipe->radii) + (count($recipe->radii) - 1) * self::GAP;
        $at = -$wide / 2;
        $poles = [];
        foreach ($recipe->radii as $number => $radius) {
            $poles[] = new Pole(self::NAMES[count($recipe->radii)][$number], StrandKind::Post, [$at + $radius, 0.0, 0.0], [0.0, 1.0, 0.0], $radius);
            $at += 2 * $radius + self::GAP;
        }

        return $poles;
    }

    public static function wind(Recipe $recipe, Winding $rope): void
    {
        $poles = self::poles($recipe);
        $isWoven = $recipe->kind === LashingKind::TripodWoven;
        $lane = $rope->lane;
        // Woven, there and back is a turn; the way back of the last one is gone with the fraps.
        $rows = $isWoven ? 2 * $recipe->wraps - 1 : $recipe->wraps;
        $bottom = -$rows / 2 * $lane;
        $top = $bottom + ($rows + ($isWoven ? 0.0 : 0.5)) * $lane;
        $low = $bottom - ($recipe->fraps + 2.5) * $lane;
        $rope->clove($poles[0], $low, 1, -1, -0.9, 0.8)->tailBefore();
        $rope->to($poles[0]->at(0.9, $bottom - ($isWoven ? 0.4 : 1.2) * $lane, $rope->off))->mark('hitch');
        $isWoven ? self::weave($rope, $poles, $rows, $bottom) : self::turns($rope, $poles, $rows, $bottom);

        // Turns end behind the first gap, woven rows behind the last; either way the fraps lead on to the other outer pole.
        $gaps = $isWoven ? [[1, 2], [0, 1]] : (count($poles) === 2 ? [[0, 1]] : [[0, 1], [1, 2]]);
        $height = $top - $bottom;
        $marked = 0;
        foreach ($gaps as $number => [$left, $right]) {
            $x = ($poles[$left]->middle[0] + $poles[$left]->radius + $poles[$right]->middle[0] - $poles[$right]->radius) / 2;
            self::frap($rope, $x, ($top + $bottom) / 2 - 0.3 * $lane, $height / 2 + 1.1 * $lane, max($poles[$left]->radius, $poles[$right]->radius), $recipe->fraps, $isWoven, $marked);
            $between = $number + 1 < count($gaps) ? $poles[1] : null;
            if ($between !== null) {
                $y = $top + ($recipe->fraps + 0.6) * $lane;
                $rope->about($between, $isWoven ? M_PI - 0.6 : M_PI + 0.6, $isWoven ? M_PI + 0.6 : M_PI - 0.6, $y, $y - 0.3 * $lane);
            }
        }
        $last = $isWoven ? $poles[0] : $poles[count($poles) - 1];
        $turn = $isWoven ? 1 : -1;
        $high = $top + (0.5 * $recipe->fraps + 2.3) * $lane;
        $rope->about($last, -$turn * (M_PI + 0.6), -$turn * (M_PI / 2 + 0.3), $high - 0.8 * $lane, $high)
            ->clove($last, $high, $turn, 1, -M_PI / 2, 0.9, true)->tail()->mark('end');
    }

    /** @param  list<Pole>  $poles */
    private static function turns(Winding $rope, array $poles, int $wraps, float $bottom): void
    {
        $front = M_PI / 2;
        $turn = 2 * M_PI;
        $lane = $rope->lane;
        for ($wrap = 0; $wrap < $wraps; $wrap++) {
            $from = $front - 0.35 - $wrap * $turn;
            $rope->round($poles, 0.0, $from, $from - $turn + 0.2, $bottom + $wrap * $lane, $bottom + ($wrap + 1) * $lane)->mark('wrap '.($wrap + 1));
        }
        $y = $bottom + $wraps * $lane;
        $rope->round($poles, 0.0, $front - 0.35, -$front + 0.35, $y, $y + 0.4 * $lane);
    }

    /** @param  list<Pole>  $poles */
    private static function weave(Winding $rope, array $poles, int $rows, float $bottom): void
    {
        $quarter = M_PI / 2;
        for ($row = 0; $row < $rows; $row++) {
            $goesBack = $row % 2 === 1;
            foreach ($goesBack ? array_reverse($poles) : $poles as $place => $pole) {
                $y = $bottom + ($row + $place / 3) * $rope->lane;
                if ($row === 0 && $place === 0) {
                    // The hitch lies on it.
                    $rope->about($pole, $quarter - 0.4, $quarter - 0.1, $y + 0.1 * $rope->lane, $y + $rope->lane / 3);

                    continue;
                }
                $isBehind = ($place % 2 === 1) !== $goesBack;
                $from = $goesBack ? $quarter : -$quarter;
                $to = $goesBack ? ($isBehind ? 3 * $quarter : -$quarter) : ($isBehind ? -3 * $quarter : $quarter);
                $rope->about($pole, $from + ($to <=> $from) * 0.1, $to - ($to <=> $from) * 0.1, $y, $y + $rope->lane / 3);
            }
            $rope->mark('wrap '.($row + 1));
        }
        $right = $poles[count($poles) - 1];
        $rope->about($right, $quarter + 0.1, M_PI + 0.5, $bottom + $rows * $rope->lane, $bottom + ($rows + 0.3) * $rope->lane);
    }

    /** Through the gap to the front above the turns, down over them, through below them, and up behind. */
    private static function frap(Winding $rope, float $x, float $middle, float $tall, float $radius, int $fraps, bool $isWoven, int &$marked): void
    {
        $deep = $isWoven ? 0.5 * $radius + 2 * $rope->lane : $radius + $rope->off + $rope->lane;
        for ($frap = 0; $frap < $fraps; $frap++) {
            $to = ($frap + 1) * 2 * M_PI - ($frap === $fraps - 1 ? 0.9 : 0.7);
            for ($angle = $frap * 2 * M_PI - 0.7; $angle < $to; $angle += 0.2) {
                $further = ($angle / (2 * M_PI) + 0.3) * $rope->lane;
                $aside = ($angle / (2 * M_PI) - $fraps / 2) * 0.5 * abs(sin($angle));
                $rope->to([$x + $aside, $middle + ($tall + $further) * Winding::squared(cos($angle)), ($deep + ($isWoven ? $further : 0.3 * $further)) * Winding::squared(sin($angle))]);
            }
            $rope->mark('frap '.(++$marked));
        }
    }
}
