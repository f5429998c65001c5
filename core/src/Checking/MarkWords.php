<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

/**
 * A three-strand mark in words, for those who do not see it.
 */
final class MarkWords
{
    /** A standing. Once a level is reached it stays, so a later stumble is said as such. */
    public static function of(?Level $level, Verdict $verdict, Seen $tying, Seen $dressing, Seen $tail, int $prompts, bool $due): string
    {
        $parts = self::parts($tying, $dressing, $tail, $prompts);
        $start = match ($level) {
            Level::Kept => 'Kept',
            Level::HasIt, Level::UsesIt, Level::TeachesIt => 'Has it',
            Level::WithHelp => 'With help',
            Level::Seen, null => $verdict === Verdict::Incomplete ? 'Begun' : 'Not yet',
        };
        $stumbled = $level !== null && $level !== Level::Seen && $level !== Level::WithHelp && $verdict !== Verdict::HasIt;

        return $start.($stumbled ? '; last time ' : ': ').$parts.($due ? '; due again' : '').'.';
    }

    /** One result's three strands, without a full stop. */
    public static function parts(Seen $tying, Seen $dressing, Seen $tail, int $prompts): string
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

        return implode(', ', array_filter($strands));
    }
}
