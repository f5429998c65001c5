<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Untidy;

/**
 * What a careless hand leaves in a knot that is tied right.
 */
enum Fault: string
{
    /** A turn that is not drawn up. */
    case Slack = 'slack';

    /** Two lengths that ought to lie side by side, one laid over the other. */
    case Crossed = 'crossed';

    /** A length that crosses itself in a curl. */
    case Curled = 'curled';
}
