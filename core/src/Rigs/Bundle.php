<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Refusal;

/**
 * Poles in a bundle: how long a band round them is, and how thick they are together. All in mm.
 */
final class Bundle
{
    /** Diameter of the least circle that holds 1, 2, 3 … equal circles of diameter 1 (best packings known). */
    private const ENVELOPE = [1, 2, 2.155, 2.414, 2.701, 3, 3, 3.305, 3.613, 3.813, 3.924, 4.030, 4.236, 4.328, 4.521, 4.615, 4.792, 4.864, 4.864, 5.122];

    /** The band round two poles that touch: their convex hull and pi d. */
    public static function pair(float $first, float $second, float $d): float
    {
        [$r, $s] = [$first / 2, $second / 2];
        $lean = asin(abs($r - $s) / ($r + $s));

        return 4 * sqrt($r * $s) + max($r, $s) * (M_PI + 2 * $lean) + min($r, $s) * (M_PI - 2 * $lean) + M_PI * $d;
    }

    /**
     * The band round n equal poles, packed as a band leaves them: the convex hull and pi d. Two lie side by side, three in a triangle;
     * more are taken to lie in their circle, which is a little more than they need.
     */
    public static function band(int $poles, float $diameter, float $d): float
    {
        return match ($poles) {
            1 => M_PI * ($diameter + $d),
            2, 3 => $poles * $diameter + M_PI * ($diameter + $d),
            default => M_PI * (self::envelope($poles, $diameter) + $d),
        };
    }

    /** The circle round 1 to 20 equal poles. */
    public static function envelope(int $poles, float $diameter): float
    {
        return $diameter * (self::ENVELOPE[$poles - 1] ?? throw Refusal::of('/poles', $poles, 'rigs.poles'));
    }

    /**
     * Where to tie a bundle: ties at most 1.2 m apart, the outer ones a fifth of the length from the ends, at least two.
     *
     * @return list<float> distances from one end
     */
    public static function ties(float $length): array
    {
        $gaps = max(1, (int) ceil(0.6 * $length / 1200 - 1e-9));

        return array_map(static fn (int $tie): float => $length * (0.2 + 0.6 * $tie / $gaps), range(0, $gaps));
    }
}
