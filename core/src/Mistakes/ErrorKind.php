<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * The ways in which a knot is tied wrong.
 */
enum ErrorKind: string
{
    case Flip = 'flip';
    case LastTuck = 'last-tuck';
    case SecondHalf = 'second-half';
    case Wrap = 'wrap-missed';
    case Ends = 'ends-exchanged';

    /** How often a beginner does it, beside the others: from 0 to 1, a starting value. */
    public function usual(): float
    {
        return match ($this) {
            self::SecondHalf => 0.9,
            self::LastTuck => 0.7,
            self::Wrap => 0.6,
            self::Ends => 0.45,
            self::Flip => 0.5,
        };
    }
}
