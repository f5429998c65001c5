<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What the plan before told a learner: a lesson in a knot, or the knot once more, at a meeting.
 */
final readonly class Promise
{
    public function __construct(public string $learner, public string $knot, public bool $isLesson, public string $meeting)
    {
    }
}
