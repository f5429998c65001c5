<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

/**
 * One thing that a leader can see tonight and that would complete a badge: a knot tied cleanly, or something to tick off.
 */
final readonly class Act
{
    /**
     * @param  ?string  $knot  to be tied; or used or taught, where it has a key
     * @param  ?string  $key  its name in records, where it is ticked off
     * @param  ?string  $words  what is to be said or done; where a knot is to be used
     */
    private function __construct(public ?string $knot, public ?string $key = null, public ?string $words = null)
    {
    }

    public static function check(string $knot): self
    {
        return new self($knot);
    }

    public static function tick(string $key, ?string $knot, ?string $words): self
    {
        return new self($knot, $key, $words);
    }
}
