<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * A three-strand mark in words, for those who do not see it.
 */
final class MarkWords
{
    public static function of(?Level $level, Verdict $verdict, Seen $tying, Seen $dressing, Seen $tail, int $prompts, bool $due): string
    {
        $strands = [];
        foreach (['tying' => $tying, 'dressing' => $dressing, 'tail' => $tail] as $part => $seen) {
            $strands[] = match ($seen) {
                Seen::Yes => $prompts > 0 ? "$part right with help" : "$part right",
                Seen::No => "$part not right yet",
                Seen::NotLooked => "$part not looked at",
                Seen::NotApplicable => null,
            };
        }
        $start = match ($level) {
            Level::Kept => 'Kept',
            Level::HasIt, Level::UsesIt, Level::TeachesIt => 'Has it',
            Level::WithHelp => 'With help',
            Level::Seen, null => $verdict === Verdict::Incomplete ? 'Begun' : 'Not yet',
        };

        return $start.': '.implode(', ', array_filter($strands)).($due ? '; due again' : '').'.';
    }
}
