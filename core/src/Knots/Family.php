<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * What a knot is for, in one word.
 */
enum Family: string
{
    case Stopper = 'stopper';
    case Loop = 'loop';
    case Hitch = 'hitch';
    case Bend = 'bend';
    case Binding = 'binding';
    case Lashing = 'lashing';
    case Ornament = 'ornament';
}
