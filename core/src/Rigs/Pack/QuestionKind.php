<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

/**
 * What a rig's question is answered with.
 */
enum QuestionKind: string
{
    /** A length, a force, a load. */
    case Number = 'number';

    case Count = 'count';

    /** One of a few words. */
    case Choice = 'choice';

    case Yes = 'yes';

    /** Several numbers of one kind, such as the diameters of three poles. */
    case Numbers = 'numbers';

    /** Several of a kind, each with fields of its own, such as the crossings of a frame. */
    case Rows = 'rows';

    /** A second rope. */
    case Rope = 'rope';
}
