<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Sketch;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * Something in a rig's sketch: what it is, and the formulas of where it is.
 */
final readonly class MarkPlan
{
    /**
     * @param  string  $as  rope, pole, ground, tree, cover, peg, load, hand, water, person, knot, measure, bar (something as long as a figure) or area to keep clear
     * @param  string  $shape  line (x, y, x, y, …), sag (x, y, x, y, sag), circle (x, y, radius) or dot (x, y)
     * @param  list<Formula>  $at  in mm; x to the right, y up
     * @param  ?Formula  $value  of a measure, in mm
     * @param  ?Formula  $repeat  so many times, with i from 0
     * @param  ?string  $each  the question it is drawn once for each entry of, with i from 0
     */
    public function __construct(
        public string $as,
        public string $shape,
        public array $at,
        public ?Formula $value,
        public ?string $label,
        public ?string $place,
        public ?Formula $when,
        public ?Formula $repeat,
        public ?string $each,
    ) {
    }
}
