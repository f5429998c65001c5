<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What meets a target: a lesson; the knot tied again on a later day; put to use in a rig; helping others to learn it.
 */
enum Deed
{
    case Lesson;
    case Again;
    case Use;
    case Help;
}
