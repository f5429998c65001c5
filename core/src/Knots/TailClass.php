<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * Which rule the tail of a knot is measured by.
 */
enum TailClass: string
{
    case Stopper = 'stopper';
    case Binding = 'binding';
    case Hitch = 'hitch';
    case Bend = 'bend';
    case Loop = 'loop';
    case Tape = 'tape';
    case Lashing = 'lashing';
}
