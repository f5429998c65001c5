<?php

declare(strict_types=1);

namespace App\Work;

use RuntimeException;

/** Somebody else has taken the work over. */
final class LostHold extends RuntimeException
{
}
