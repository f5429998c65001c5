<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * What a check event says: a result; that an event is taken back; that a leader decides otherwise; that a
 * learner had the knot before.
 */
enum Kind: string
{
    case Result = 'result';
    case Retract = 'retract';
    case Overrule = 'overrule';
    case Prior = 'prior';
}
