<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/** How far an award has come on its way into the office's register. */
enum Passage: string
{
    /** On no list yet. */
    case Waiting = 'waiting';
    /** On a list that may have reached the office, or not. */
    case Sent = 'sent';
    case Taken = 'taken';
    case Refused = 'refused';
}
