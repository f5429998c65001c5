<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * What a knot in someone's hands may be.
 */
final readonly class Guess
{
    /**
     * @param  ?string  $knot its id, where it has one
     * @param  int  $against how many of the overs and unders seen speak against it
     * @param  int  $unseen crossings of which nothing is known
     * @param  ?int  $parts the first crossing, in order of tying, at which it parts from what is taught
     * @param  ?int  $step the step in which that crossing is made, from 1
     */
    public function __construct(
        public Outcome $becomes,
        public ?string $knot,
        public int $against,
        public int $unseen,
        public ?int $parts,
        public ?int $step,
    ) {
    }
}
