<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

/**
 * What a part of a plan is: a station where a knot is taught, a knot tied again, a rig put up.
 */
enum PartKind: string
{
    case Lesson = 'lesson';
    case Old = 'old';
    case Rig = 'rig';
}
