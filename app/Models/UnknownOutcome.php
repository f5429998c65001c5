<?php

declare(strict_types=1);

namespace App\Models;

use RuntimeException;
use Throwable;

/**
 * The connection broke off while a transaction was being committed.
 */
final class UnknownOutcome extends RuntimeException
{
    public function __construct(Throwable $fault)
    {
        parent::__construct('Whether it was written is not known: look before you do it again.', 0, $fault);
    }
}
