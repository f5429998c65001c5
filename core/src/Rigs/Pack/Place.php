<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * Where a knot stands in a rig, and those that may stand there.
 */
final readonly class Place
{
    /**
     * @param  ?Formula  $object  the diameter in mm of what the knot goes round; null: of nothing that counts
     * @param  non-empty-list<PlaceKnot>  $knots  the first whose condition holds is taken, unless another is chosen
     */
    public function __construct(public string $id, public string $where, public ?Formula $object, public array $knots)
    {
    }
}
