<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * Rope that a lashing takes, by geometry, in mm: the turns it is made of, a tail of 10 d at each end, and a tenth on top
 * of the turns to work with. D is a pole's diameter, d the rope's.
 */
final readonly class Lashing
{
    private const MARGIN = 1.1;

    private const TAIL = 10;

    /** The rule of thumb for a square lashing: a metre for every 25 mm of summed pole diameters. */
    private const THUMB = 1000 / 25;

    private function __construct(public float $rope, public ?float $ruleOfThumb, public Saying $reason)
    {
    }

    /**
     * @param  list<float>  $poles  diameters in mm, as many as the lashing joins; square: upright, spar
     * @param  float  $d  the rope's diameter in mm
     * @param  ?int  $wraps  turns round the poles (diagonal: each way), 1 to 20; null: as usual
     */
    public static function of(LashingKind $kind, array $poles, float $d, ?int $wraps = null, int $fraps = 2): self
    {
        if (count($poles) !== $kind->poles()) {
            throw Refusal::of('/poles_mm', $poles, 'rigs.pole_count', ['poles' => $kind->poles()]);
        }
        $wraps ??= $kind->wraps();
        $mean = array_sum($poles) / count($poles);
        $turns = match ($kind) {
            LashingKind::Square => self::clove($poles[0], $d) + $wraps * self::squareWrap($poles, $d) + $fraps * self::squareFrap($poles, $wraps, $d) + self::clove($poles[1], $d),
            // Two sets of wraps across each other; the timber hitch is a band round both poles with its spirals of 9 d.
            LashingKind::Diagonal => Bundle::pair($poles[0], $poles[1], $d) + 9 * $d + 2 * $wraps * self::squareWrap($poles, $d) + $fraps * self::squareFrap($poles, 2 * $wraps, $d) + self::clove($poles[1], $d),
            LashingKind::Shear => 2 * self::clove($mean, $d) + $wraps * Bundle::pair($poles[0], $poles[1], $d) + $fraps * self::gapFrap($mean, $wraps, $d),
            LashingKind::TripodPlain => 2 * self::clove($mean, $d) + $wraps * (4 * $mean + M_PI * ($mean + $d)) + 2 * $fraps * self::gapFrap($mean, $wraps, $d),
            LashingKind::TripodWoven => 2 * self::clove($mean, $d) + $wraps * 3 * M_PI * ($mean + $d) + 2 * $fraps * self::gapFrap($mean, $wraps, $d),
        };
        $rope = self::MARGIN * $turns + 2 * self::TAIL * $d;
        $thumb = $kind === LashingKind::Square ? self::THUMB * array_sum($poles) : null;

        $reason = new Saying('rigs.lashing', [
            'wraps' => $wraps, 'fraps' => $fraps, 'rope' => round($d, 1), 'turns' => round($turns / 1000, 2), 'tail' => round(self::TAIL * $d, 1), 'whole' => round($rope / 1000, 2),
        ]);

        return new self($rope, $thumb, $thumb === null ? $reason : Saying::sentences([$reason, new Saying('rigs.lashing_thumb', ['thumb' => round($thumb / 1000, 2)])]));
    }

    /** What to cut: the longer of geometry and rule of thumb. */
    public function advised(): float
    {
        return max($this->rope, $this->ruleOfThumb ?? 0.0);
    }

    private static function clove(float $pole, float $d): float
    {
        return 2 * M_PI * ($pole + $d) + 6 * $d;
    }

    /** @param  list<float>  $poles */
    private static function squareWrap(array $poles, float $d): float
    {
        return M_PI * ($poles[0] + $poles[1] + 2 * $d);
    }

    /** @param  list<float>  $poles */
    private static function squareFrap(array $poles, int $wraps, float $d): float
    {
        return 2 * ($poles[0] + $poles[1]) + 4 * $wraps * $d;
    }

    private static function gapFrap(float $pole, int $wraps, float $d): float
    {
        return 2 * $wraps * $d + 2 * $pole;
    }
}
