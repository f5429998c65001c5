<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailJudgement;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Rope\TailVerdict;

/**
 * From what was seen to what it comes to. A plain no outweighs a part not looked at, since it already says what
 * to do next; nothing not looked at counts as yes. A measured tail is judged by the tail rule, and only where the
 * measure cannot tell does the leader's own yes or no stand.
 */
final readonly class VerdictRule
{
    public const VERSION = 2;

    public function __construct(private TailRule $tails)
    {
    }

    public function judge(Observation $seen, KnotPack $knot, TailSchool $school, bool $backup): Finding
    {
        self::holdToParts($seen, $knot);
        $judged = $this->tail($seen, $knot, $school, $backup);
        $tail = match ($judged?->verdict) {
            null, TailVerdict::Borderline => $seen->tail,
            TailVerdict::Short => Seen::No,
            TailVerdict::Good, TailVerdict::Long => Seen::Yes,
        };
        $verdict = match (true) {
            $seen->tying === Seen::No, $seen->test === Seen::No && $knot->testShowsStructure => Verdict::TieAgain,
            // A knot that fails its own test passes in no way.
            $seen->dressing === Seen::No, $seen->test === Seen::No => Verdict::TidyIt,
            $tail === Seen::No => Verdict::FeedTail,
            ! $seen->tying->satisfies(), ! $seen->dressing->satisfies(), ! $tail->satisfies() => Verdict::Incomplete,
            $seen->prompts > 0 => Verdict::WithHelp,
            default => Verdict::HasIt,
        };

        return new Finding($verdict, $tail, $judged);
    }

    private function tail(Observation $seen, KnotPack $knot, TailSchool $school, bool $backup): ?TailJudgement
    {
        if ($seen->measured === null || ! $seen->rope instanceof RopeInHand || $seen->tail === Seen::NotApplicable) {
            return null;
        }

        return $this->tails->judge($knot->tailClass, $seen->rope, $school, $backup, $seen->measured, $seen->measuredBy);
    }

    /** A part the knot has may be skipped (not looked), but not declared absent. */
    private static function holdToParts(Observation $seen, KnotPack $knot): void
    {
        if ($seen->dressing === Seen::NotApplicable && $knot->hasDressing) {
            throw Refusal::of('/dressing', 'not_applicable', 'checking.dressing');
        }
        if ($seen->tail === Seen::NotApplicable && $knot->hasTail) {
            throw Refusal::of('/tail', 'not_applicable', 'checking.tail');
        }
        if ($seen->mistake !== null && ! isset($knot->mistakes[$seen->mistake])) {
            throw Refusal::of('/mistake', $seen->mistake, ...($knot->mistakes === [] ? ['checking.no_mistakes'] : ['any.one_of', ['list' => array_keys($knot->mistakes)]]));
        }
    }
}
