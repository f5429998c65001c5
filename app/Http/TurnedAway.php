<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Group;
use Carbon\CarbonImmutable;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Day;
use RuntimeException;

/**
 * Whoever asks is turned away, whatever they asked: with the status that says so, and why.
 */
abstract class TurnedAway extends RuntimeException
{
    final private function __construct(public readonly int $status, public readonly Refusal $refusal)
    {
        parent::__construct($refusal->getMessage());
    }

    /** @param  array<string, string|Day>  $parameters  what the messages of the code ask for */
    final protected static function with(int $status, string $field, ?string $value, string $code, array $parameters = []): static
    {
        return new static($status, Refusal::of($field, $value, $code, $parameters));
    }

    /** The day on which something happened where the group is. */
    final protected static function dayOf(Group $group, CarbonImmutable $moment): Day
    {
        return new Day($moment->setTimezone($group->time_zone)->format('Y-m-d'));
    }
}
