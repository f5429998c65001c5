<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * How far a learner has come with a knot: seen < with help < has it < kept. Uses it and teaches it stand
 * beside that ladder and need has it. A level once reached never falls.
 */
enum Level: string
{
    case Seen = 'seen';
    case WithHelp = 'with_help';
    case HasIt = 'has_it';
    case Kept = 'kept';
    case UsesIt = 'uses_it';
    case TeachesIt = 'teaches_it';

    /** Its rung on the ladder; uses it and teaches it stand on the rung they need. */
    public function rung(): int
    {
        return match ($this) {
            self::Seen => 1,
            self::WithHelp => 2,
            self::HasIt, self::UsesIt, self::TeachesIt => 3,
            self::Kept => 4,
        };
    }
}
