<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Sketch;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * A point of a sketch that can be dragged to change an answer.
 */
final readonly class HandlePlan
{
    /**
     * @param  list<Formula>  $at  x and y in mm
     * @param  string  $axis  x or y
     * @param  float  $by  the change of the answer for a millimetre to the right or up
     */
    public function __construct(public string $answer, public array $at, public string $axis, public float $by)
    {
    }
}
