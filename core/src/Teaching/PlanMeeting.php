<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * A meeting still to come: its date, its minutes in all, how many can check.
 */
final readonly class PlanMeeting
{
    public function __construct(public string $id, public string $date, public int $minutes, public int $checkers)
    {
    }
}
