<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Choosing;

use Compadre\Core\Knots\GoodFor;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Words\Saying;

/**
 * A knot that is good for a task, weighed for one job.
 */
final readonly class Candidate
{
    /** @param  list<Saying>  $faults  why it does not fit this job */
    public function __construct(public KnotPack $knot, public GoodFor $use, public float $weight, public array $faults)
    {
    }
}
