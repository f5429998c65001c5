<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Words\Saying;

/**
 * A slip, what it becomes, how likely a beginner makes it (0 to 1, a ranking and no measurement), the words for it, and the mistake
 * of the pack that they are of.
 */
final readonly class Found
{
    public function __construct(
        public Slip $slip,
        public Outcome $becomes,
        public float $likely,
        public Saying $sign,
        public Saying $cause,
        public Saying $fix,
        public ?KnotMistake $worded,
    ) {
    }
}
