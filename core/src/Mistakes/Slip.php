<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Topology\GaussCode;

/**
 * One error made in one method: where, and what the rope then looks like.
 */
final readonly class Slip
{
    /** @var string unique within the method */
    public string $id;

    /**
     * @param  list<int>  $at the crossings, ropes or steps that tell it from others of its kind
     * @param  ?int  $crossing the crossing it is about, as a place in the diagram's list; null when it is about several
     * @param  int  $step the step in which it is made, from 1
     * @param  ?list<int>  $flips the crossings at which over and under have changed places, where that is all that differs
     * @param  list<int>  $exchanged the strands whose tail and load have changed places
     */
    public function __construct(
        public SlipKind $kind,
        array $at,
        public ?int $crossing,
        public int $step,
        public GaussCode $code,
        public ?array $flips = null,
        public array $exchanged = [],
    ) {
        $this->id = implode('-', [$kind->value, ...$at]);
    }
}
