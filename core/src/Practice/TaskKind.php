<?php

declare(strict_types=1);

namespace Compadre\Core\Practice;

/**
 * What a learner is asked: how one crossing goes, which form is right, where a wrong one parts from it, in which order it is tied,
 * which knot a job wants.
 */
enum TaskKind: string
{
    case OverUnder = 'over-under';
    case Spot = 'spot';
    case Where = 'where';
    case Order = 'order';
    case Which = 'which';
}
