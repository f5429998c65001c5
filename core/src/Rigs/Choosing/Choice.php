<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs\Choosing;

use Compadre\Core\Words\Saying;

/**
 * The knots that fit a job, the best first, and those that do not though one may think so.
 */
final readonly class Choice
{
    /**
     * @param  non-empty-list<array{knot: string, method: ?string, turns: ?float, reason: Saying}>  $answers  1 to 3
     * @param  list<array{knot: string, reason: Saying}>  $leftOut
     */
    public function __construct(public array $answers, public array $leftOut)
    {
    }
}
