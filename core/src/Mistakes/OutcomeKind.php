<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * What a knot tied wrong may come to.
 */
enum OutcomeKind: string
{
    case Same = 'same';
    case EquallyGood = 'equally-good';
    case Knot = 'knot';
    case FallsOut = 'falls-out';
    case Unnamed = 'unnamed';
}
