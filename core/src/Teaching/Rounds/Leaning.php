<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * How a plan is laid: how much of a meeting lessons may fill, how far chance bends what is worth most, how often a knot is left for
 * later, how much old knots count beside new ones, and whether promises are held to.
 */
final readonly class Leaning
{
    /**
     * @param  float  $fill  of the room, 0 to 1
     * @param  float  $noise  0: none; 1: worth is anything from a third to three times
     * @param  float  $skip  chance, 0 to 1
     * @param  float  $old  worth of an old knot beside that of a lesson
     */
    public function __construct(public float $fill = 1.0, public float $noise = 0.0, public float $skip = 0.0, public float $old = 1.0, public bool $holds = false)
    {
    }
}
