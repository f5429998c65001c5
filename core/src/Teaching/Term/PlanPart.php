<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

/**
 * A part of a meeting as a plan has it, to be written down: who does what, and in which round.
 */
final readonly class PlanPart
{
    /**
     * @param  string  $what  a knot, or a rig
     * @param  list<string>  $learners  who is taught, or ties it again
     * @param  list<string>  $helpers  who helps at the station
     * @param  int  $round  from 0; of a lesson
     * @param  int  $checkers  of a lesson, 1 or more
     */
    public function __construct(public PartKind $kind, public string $what, public array $learners = [], public array $helpers = [], public int $round = 0, public int $checkers = 1)
    {
    }
}
