<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * How a group finds the tail it asks for: a fixed length for each class of knot, a multiple of the rope's
 * diameter, or whichever of the two is longer.
 */
enum TailSchool: string
{
    case Longer = 'longer';
    case Fixed = 'fixed';
    case Diameters = 'diameters';
}
