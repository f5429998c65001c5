<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What alone keeps something from being met, in the order in which it is asked.
 */
enum Cause: string
{
    case Ban = 'ban';
    case Pin = 'pin';
    case Object = 'object';
    case Date = 'date';
    case Presence = 'presence';
    case Order = 'order';
    case Limit = 'limit';
    case Room = 'room';
}
