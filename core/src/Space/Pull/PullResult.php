<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Words\Saying;

/**
 * What becomes of a knot that is pulled at.
 */
enum PullResult: string
{
    case Holds = 'holds';
    case Slides = 'slides';
    case FallsOut = 'falls_out';

    /** Stands beside every movement and every figure. */
    public static function model(): Saying
    {
        return new Saying('space.model');
    }

    /** Said of every knot beside those that are pulled at side by side: good ones creep here too that hold in the hand. */
    public static function untried(): Saying
    {
        return new Saying('space.untried');
    }

    /**
     * @param  float  $travel  of its tails, in diameters
     * @param  Saying  $rope  what rope it is
     */
    public function said(float $travel, Saying $rope): Saying
    {
        $far = round(max(0.0, $travel), 1);

        return match ($this) {
            self::Holds => new Saying('space.held', ['rope' => $rope, 'far' => $far]),
            self::Slides => new Saying('space.slid', ['rope' => $rope, 'far' => $far]),
            self::FallsOut => new Saying('space.fell', ['rope' => $rope]),
        };
    }
}
