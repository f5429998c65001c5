<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * A form with what was measured of it: the rope in the knot, in diameters; and of a lashing the share of its rope up to the end of
 * each of its steps.
 */
final readonly class KeptForm
{
    /** @param  array<string, float>  $laid */
    public function __construct(public Form $form, public float $ropeInKnot, public array $laid = [])
    {
    }
}
