<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/** Kinds of trouble with an office. */
enum What
{
    case Later;
    case SignedOut;
    case KeyReused;
    case Unreadable;
    case TurnedAway;
}
