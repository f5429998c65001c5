<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * What was found of one part of a knot. Not looked at never counts as yes; a part the knot lacks is not applicable.
 */
enum Seen: string
{
    case Yes = 'yes';
    case No = 'no';
    case NotLooked = 'not_looked';
    case NotApplicable = 'not_applicable';

    public function satisfies(): bool
    {
        return $this === self::Yes || $this === self::NotApplicable;
    }
}
