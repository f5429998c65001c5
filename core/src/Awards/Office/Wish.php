<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/** What the office is to know of an award by now. */
enum Wish: string
{
    case Held = 'held';
    case TakenBack = 'taken_back';
    /** The learner was erased: the office is to keep nothing of them. */
    case Forgotten = 'forgotten';
}
