<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

use Compadre\Core\Space\SpaceStrand;

/**
 * Ropes that are drawn up with a fault in them.
 */
final readonly class UntidyForm
{
    /** @param  list<SpaceStrand>  $ropes */
    public function __construct(public Fault $fault, public array $ropes)
    {
    }
}
