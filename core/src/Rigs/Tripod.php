<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * How a tripod stands: legs of a length below the lashing, feet on a circle. Lengths in mm, the lean from upright in radians.
 */
final readonly class Tripod
{
    private const STEEP = 0.30;

    private const WIDE = 0.55;

    private function __construct(public float $height, public float $feetApart, public float $lean, public ?Saying $advice)
    {
    }

    /**
     * @param  float  $leg  above 0
     * @param  float  $footRadius  above 0 and less than the leg
     */
    public static function of(float $leg, float $footRadius): self
    {
        if ($footRadius >= $leg || $footRadius <= 0) {
            throw Refusal::of('/foot_radius_mm', $footRadius, 'rigs.foot', ['leg' => $leg]);
        }
        $spread = $footRadius / $leg;

        return new self(sqrt($leg ** 2 - $footRadius ** 2), $footRadius * sqrt(3), asin($spread), match (true) {
            $spread < self::STEEP => new Saying('rigs.feet_close', ['share' => self::STEEP, 'least' => ceil(self::STEEP * $leg)]),
            $spread > self::WIDE => new Saying('rigs.feet_wide', ['share' => self::WIDE, 'most' => floor(self::WIDE * $leg)]),
            default => null,
        });
    }
}
