<?php

declare(strict_types=1);

namespace Compadre\Core\Awards;

/**
 * What met one requirement: a check, something ticked off, or a knot used in a rig.
 */
final readonly class Met
{
    /**
     * @param  string  $day  as 2026-11-24; of what was had before the app, the day on which that was written down
     * @param  ?string  $by  the leader's id, where it is known
     * @param  bool  $prior  had before the app, on the word of a leader
     * @param  ?string  $event  the id of the check
     * @param  ?string  $rig  what the rig was called that it was used in
     */
    public function __construct(public string $day, public ?string $by, public bool $prior = false, public ?string $event = null, public ?string $rig = null)
    {
    }
}
