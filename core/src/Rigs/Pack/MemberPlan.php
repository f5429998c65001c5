<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Pack;

use Compadre\Core\Rigs\Formula\Formula;

/**
 * A rope, pole, peg or cover that a rig is built of, with the formulas of its measures.
 */
final readonly class MemberPlan
{
    /**
     * @param  ?Formula  $diameter  in mm; null: the rope's own, or of no matter
     * @param  list<string>  $at  the places whose knots are tied in it
     * @param  ?string  $each  the question that it is made once for each entry of
     */
    public function __construct(
        public string $id,
        public string $kind,
        public string $name,
        public ?Formula $when,
        public Formula $count,
        public ?Formula $length,
        public ?Formula $diameter,
        public array $at,
        public ?string $each,
    ) {
    }
}
