<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Words\Saying;

/**
 * What a rope is made of.
 */
enum Material: string
{
    case Natural = 'natural';
    case Polyester = 'polyester';
    case Nylon = 'nylon';
    case Polypropylene = 'polypropylene';
    case Hmpe = 'hmpe';

    /** Whether such rope is as a rule laid of three strands; the others come braided. */
    public function isLaid(): bool
    {
        return $this === self::Natural;
    }

    /** The measure for all the others, and what a knot is pulled at in where nobody says. */
    public const USUAL = self::Polyester;

    public function said(): Saying
    {
        return new Saying('rope.material', ['material' => $this->value]);
    }
}
