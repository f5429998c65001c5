<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

/**
 * What the office said of one award.
 */
final readonly class Told
{
    /**
     * @param  bool  $taken  else it was refused
     * @param  ?string  $receipt  of one that was taken
     * @param  ?string  $requirement  by its name: what it was refused for, where the office says so
     */
    public function __construct(public string $award, public bool $taken, public ?string $receipt = null, public ?string $requirement = null, public ?string $reason = null)
    {
    }
}
