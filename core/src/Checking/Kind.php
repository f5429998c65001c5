<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * What a check event says: a result; that an event is taken back; that a leader decides otherwise; that a
 * learner had the knot before; that a learner tied it in a rig that stood, which says nothing of how well.
 */
enum Kind: string
{
    case Result = 'result';
    case Retract = 'retract';
    case Overrule = 'overrule';
    case Prior = 'prior';
    case Used = 'used';
}
