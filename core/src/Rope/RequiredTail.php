<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Words\Saying;

/**
 * The tail asked for, in whole mm, with the reason a leader can read aloud.
 */
final readonly class RequiredTail
{
    public function __construct(public int $millimetres, public Saying $reason)
    {
    }
}
