<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Refusal;

/**
 * What a lashing is made of: its poles, the angle between them, and how often the rope goes round.
 */
final readonly class Recipe
{
    /** Poles may be so many ropes thick: beyond, thin cord on a trunk is no lashing that anybody could look at. */
    public const POLE = ['least' => 1.5, 'most' => 40.0];

    /** Degrees between crossing poles. */
    public const ANGLE = ['least' => 45.0, 'most' => 90.0];

    public const MOST_WRAPS = 12;

    public const MOST_FRAPS = 6;

    /**
     * @param  list<float>  $radii  of the poles, in rope diameters; square: upright, spar; diagonal: behind, front
     * @param  int  $wraps  turns round the poles (diagonal: each way; woven: there and back counts as one)
     * @param  int  $fraps  turns between the poles (tripods: in each gap)
     * @param  float  $angle  between crossing poles, in degrees
     */
    private function __construct(public LashingKind $kind, public array $radii, public int $wraps, public int $fraps, public float $angle)
    {
    }

    /**
     * @param  list<float>  $poles  diameters, in the unit of $rope
     * @param  float  $rope  its diameter
     * @param  ?int  $wraps  null: as usual
     */
    public static function of(LashingKind $kind, array $poles, float $rope, ?int $wraps = null, int $fraps = 2, ?float $angle = null): self
    {
        if (count($poles) !== $kind->poles()) {
            throw Refusal::of('/lashing/poles_mm', $poles, 'rigs.pole_count', ['poles' => $kind->poles()]);
        }
        foreach ($poles as $number => $pole) {
            if ($pole < self::POLE['least'] * $rope || $pole > self::POLE['most'] * $rope) {
                throw Refusal::of("/lashing/poles_mm/$number", $pole, 'space.pole', ['least' => self::POLE['least'], 'most' => self::POLE['most']]);
            }
        }
        $wraps ??= $kind->wraps();
        self::between('/lashing/wraps', $wraps, 1, self::MOST_WRAPS);
        self::between('/lashing/fraps', $fraps, 0, self::MOST_FRAPS);
        if ($angle !== null && ! $kind->isCrossed()) {
            throw Refusal::of('/lashing/angle_deg', $angle, 'space.side_by_side');
        }
        self::between('/lashing/angle_deg', $angle ?? self::ANGLE['most'], self::ANGLE['least'], self::ANGLE['most']);

        return new self($kind, array_map(static fn (float $pole): float => $pole / $rope / 2, $poles), $wraps, $fraps, $angle ?? self::ANGLE['most']);
    }

    private static function between(string $field, float $value, float $least, float $most): void
    {
        if ($value < $least || $value > $most) {
            throw Refusal::of($field, $value, 'any.from_to', ['least' => $least, 'most' => $most]);
        }
    }
}
