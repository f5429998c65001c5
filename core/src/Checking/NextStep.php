<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Rope\TailVerdict;
use Compadre\Core\Words\Catalogue;

/**
 * The one sentence that says what to do next, kindly.
 */
final class NextStep
{
    public static function sentence(Finding $finding, Observation $seen, KnotPack $knot, ?Level $level): string
    {
        $name = lcfirst($knot->names[0]);

        return match ($finding->verdict) {
            Verdict::TieAgain => self::again(self::mistakes($finding, $seen, $knot)[0] ?? null, $name),
            Verdict::TidyIt => $seen->test === Seen::No && $seen->dressing !== Seen::No
                ? 'It does not pass its test ('.lcfirst(rtrim($knot->test, '.')).'): dress and set it again, every strand snug, then test it once more.'
                : 'The knot is right; tidy it: '.self::first($knot->dressingChecks, 'lay the strands as they should lie and pull each one snug').'.',
            Verdict::FeedTail => self::feed($finding),
            Verdict::Incomplete => self::look($finding, $seen),
            Verdict::WithHelp => "Right with a word of help: tie the $name once more without it.",
            Verdict::HasIt => $level === Level::Kept
                ? "Kept: the $name held over from another day. Show it to someone who is still learning it."
                : "Has it: tie the $name again at the next meeting to keep it.",
        };
    }

    /**
     * The mistake the leader named, or else the pack's, likeliest first; none unless the tying was wrong.
     *
     * @return list<KnotMistake>
     */
    public static function mistakes(Finding $finding, Observation $seen, KnotPack $knot): array
    {
        if ($finding->verdict !== Verdict::TieAgain) {
            return [];
        }

        return $seen->mistake === null ? array_values($knot->mistakes) : [$knot->mistakes[$seen->mistake]];
    }

    private static function again(?KnotMistake $mistake, string $name): string
    {
        return $mistake instanceof KnotMistake
            ? "Tie the $name again. Look for this: {$mistake->sign}. {$mistake->fix}."
            : "Tie the $name again, slowly, step by step.";
    }

    private static function feed(Finding $finding): string
    {
        return $finding->judgement?->verdict === TailVerdict::Short
            ? Catalogue::english()->say($finding->judgement->reason)
            : 'The knot is right; feed more rope through until the tail is long enough, no need to tie it again.';
    }

    private static function look(Finding $finding, Observation $seen): string
    {
        $open = [];
        foreach (['tying' => $seen->tying, 'dressing' => $seen->dressing] as $part => $found) {
            if ($found === Seen::NotLooked) {
                $open[] = $part;
            }
        }
        if ($finding->tail === Seen::NotLooked) {
            $open[] = $finding->judgement?->verdict === TailVerdict::Borderline ? 'tail (too close to tell: measure it)' : 'tail';
        }

        return 'Good so far. Still to look at: '.implode(' and ', $open).'.';
    }

    /** @param  list<string>  $checks */
    private static function first(array $checks, string $otherwise): string
    {
        return lcfirst(rtrim($checks[0] ?? $otherwise, '.'));
    }
}
