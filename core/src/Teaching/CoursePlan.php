<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

/**
 * The term as planned.
 */
final readonly class CoursePlan
{
    /**
     * @param  array<string, list<Block>>  $meetings  blocks in order, by meeting id
     * @param  list<UnmetNeed>  $unmet
     */
    public function __construct(public array $meetings, public array $unmet)
    {
    }
}
