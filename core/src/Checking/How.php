<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * Attested: the leader says so. Measured: a length was taken.
 */
enum How: string
{
    case Attested = 'attested';
    case Measured = 'measured';
}
