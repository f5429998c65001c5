<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Data\Figure;

/**
 * What becomes of a knot that is pulled at.
 */
enum PullResult: string
{
    case Holds = 'holds';
    case Slides = 'slides';
    case FallsOut = 'falls_out';

    /** Stands beside every movement and every figure. */
    public const MODEL = 'A teaching model of rope and friction, with the same pull for all: real ropes are tested, not computed. It knows nothing of rope that rolls or wears.';

    /** Said of every knot beside those that are pulled at side by side: good ones creep here too that hold in the hand. */
    public const UNTRIED = 'This is not one of the knots that the model was found to tell from its mistakes: believe the hand.';

    /**
     * @param  float  $travel  of its tails, in diameters
     * @param  string  $rope  what rope it is, in words
     */
    public function words(float $travel, string $rope): string
    {
        $far = Figure::of(max(0.0, $travel), 1);

        return match ($this) {
            self::Holds => "It held: in $rope, $far rope widths of tail crept in.",
            self::Slides => "It slid: in $rope, $far rope widths of tail crept in.",
            self::FallsOut => "It came out: in $rope, a tail crept all the way through.",
        };
    }
}
