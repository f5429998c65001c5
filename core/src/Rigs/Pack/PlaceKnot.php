<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * A knot that may stand in a place, and why.
 */
final readonly class PlaceKnot
{
    /**
     * @param  ?Formula  $when  it is the one to take; null: always
     * @param  float  $turns  round the place's object
     * @param  ?Formula  $wraps  how many wraps or hitches it wants in this rope
     * @param  string  $counts  what those are: wraps, half hitches
     */
    public function __construct(public string $knot, public ?string $method, public string $why, public ?Formula $when, public float $turns, public ?Formula $wraps, public string $counts = 'wraps')
    {
    }
}
