<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

/**
 * An operation whose schema has many cases, of which an input is held to its own alone.
 */
interface Narrowed
{
    /**
     * @param  mixed  $asked  the input as read, whatever it is
     * @return array<string, mixed> of input() what concerns this input: it lets through and refuses the same
     */
    public function inputFor(mixed $asked): array;
}
