<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

/**
 * A rope, pole, peg or cover of a rig that has been worked out. Lengths and diameters in mm.
 */
final readonly class Member
{
    /**
     * @param  ?float  $length  null where it has none that counts, as a peg
     * @param  list<string>  $at  the places whose knots are tied in it
     * @param  list<string>  $knots  those knots, each once
     */
    public function __construct(public string $id, public string $kind, public string $name, public int $count, public ?float $length, public ?float $diameter, public array $at, public array $knots)
    {
    }
}
