<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * The lashings, with the turns they are usually laid with.
 */
enum LashingKind: string
{
    case Square = 'square';
    case Diagonal = 'diagonal';
    case Shear = 'shear';
    case TripodPlain = 'tripod-plain';
    case TripodWoven = 'tripod-woven';

    public function poles(): int
    {
        return $this->isTripod() ? 3 : 2;
    }

    public function wraps(): int
    {
        return match ($this) {
            self::Square, self::Diagonal => 3,
            self::Shear => 7,
            self::TripodPlain => 6,
            self::TripodWoven => 5,
        };
    }

    /** Whether the poles cross; else they lie side by side. */
    public function isCrossed(): bool
    {
        return $this === self::Square || $this === self::Diagonal;
    }

    public function isTripod(): bool
    {
        return $this === self::TripodPlain || $this === self::TripodWoven;
    }
}
