<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * What a strand of a drawing is. Ropes carry an over/under word; objects are what ropes are tied to.
 */
enum StrandKind: string
{
    case Rope = 'rope';
    case Tape = 'tape';
    case Pole = 'pole';
    case Post = 'post';
    case Ring = 'ring';
    case Peg = 'peg';
    case Toggle = 'toggle';

    public function isRope(): bool
    {
        return $this === self::Rope || $this === self::Tape;
    }

    /** Rings come back to their start; poles and posts run out of the picture on both sides. */
    public function isClosed(): bool
    {
        return $this === self::Ring;
    }
}
