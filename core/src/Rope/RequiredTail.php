<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

/**
 * The tail asked for, in whole mm, with the reason a leader can read aloud.
 */
final readonly class RequiredTail
{
    public function __construct(public int $millimetres, public string $reason)
    {
    }
}
