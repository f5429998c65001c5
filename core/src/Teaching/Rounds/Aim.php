<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Teaching\BadgePack;

/**
 * A badge that is aimed at: when it is to be done, whether that date is firm or only wished, and which knots its leaders
 * would rather see where there is a choice, the dearest first.
 */
final readonly class Aim
{
    /** @param  list<string>  $preferences  knots */
    public function __construct(public BadgePack $badge, public ?string $dueOn = null, public bool $isFirm = true, public array $preferences = [])
    {
    }
}
