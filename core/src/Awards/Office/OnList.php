<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/**
 * An award on a list that was sent and has not been answered.
 */
final readonly class OnList
{
    /** @param  string  $key  under which the list was sent: the same for all of it */
    public function __construct(public string $award, public string $key)
    {
    }
}
