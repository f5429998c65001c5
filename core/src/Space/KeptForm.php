<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * A form with what was measured of it: the rope in the knot, in diameters.
 */
final readonly class KeptForm
{
    public function __construct(public Form $form, public float $ropeInKnot)
    {
    }
}
