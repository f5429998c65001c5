<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

/**
 * A slip, what it becomes, how likely a beginner makes it (0 to 1, a ranking and no measurement), and the words for it.
 */
final readonly class Found
{
    public function __construct(
        public Slip $slip,
        public Outcome $becomes,
        public float $likely,
        public string $sign,
        public string $cause,
        public string $fix,
    ) {
    }
}
