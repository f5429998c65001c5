<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * One verdict on one knot on one day; a knot had before the app counts as has it from an earlier, unknown day.
 */
final readonly class DayResult
{
    /** @param  string  $day as 2026-11-24 */
    public function __construct(public string $day, public Verdict $verdict, public bool $prior = false)
    {
    }
}
