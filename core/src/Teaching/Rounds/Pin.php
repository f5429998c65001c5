<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * A leader's word on a knot: shown in this meeting and in none before it, to these learners (null: to whoever lacks it);
 * with no meeting, never shown to them.
 */
final readonly class Pin
{
    /** @param  ?list<string>  $learners */
    public function __construct(public string $knot, public ?string $meeting, public ?array $learners = null)
    {
    }
}
