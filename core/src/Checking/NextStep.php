<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Rope\TailVerdict;
use Compadre\Core\Words\Saying;
use Compadre\Core\Words\Within;

/**
 * The one sentence that says what to do next, kindly.
 */
final class NextStep
{
    public static function of(Finding $finding, Observation $seen, KnotPack $knot, ?Level $level): Saying
    {
        $name = new Within($knot->names[0]);

        return match ($finding->verdict) {
            Verdict::TieAgain => self::again(self::mistakes($finding, $seen, $knot)[0] ?? null, $name),
            Verdict::TidyIt => $seen->test === Seen::No && $seen->dressing !== Seen::No
                ? new Saying('checking.next_test', ['test' => new Within(rtrim($knot->test, '.'))])
                : new Saying('checking.next_tidy', ['check' => $knot->dressingChecks === [] ? new Saying('checking.next_tidy_any') : new Within(rtrim($knot->dressingChecks[0], '.'))]),
            Verdict::FeedTail => self::feed($finding),
            Verdict::Incomplete => self::look($finding, $seen),
            Verdict::WithHelp => new Saying('checking.next_with_help', ['knot' => $name]),
            Verdict::HasIt => new Saying($level === Level::Kept ? 'checking.next_kept' : 'checking.next_has', ['knot' => $name]),
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

    private static function again(?KnotMistake $mistake, Within $name): Saying
    {
        return $mistake instanceof KnotMistake
            ? new Saying('checking.next_look_for', ['knot' => $name, 'sign' => $mistake->sign, 'fix' => $mistake->fix])
            : new Saying('checking.next_again', ['knot' => $name]);
    }

    private static function feed(Finding $finding): Saying
    {
        return $finding->judgement?->verdict === TailVerdict::Short
            ? $finding->judgement->reason
            : new Saying('checking.next_feed');
    }

    private static function look(Finding $finding, Observation $seen): Saying
    {
        $open = [];
        if ($seen->tying === Seen::NotLooked) {
            $open[] = new Saying('checking.part_tying');
        }
        if ($seen->dressing === Seen::NotLooked) {
            $open[] = new Saying('checking.part_dressing');
        }
        if ($finding->tail === Seen::NotLooked) {
            $open[] = new Saying($finding->judgement?->verdict === TailVerdict::Borderline ? 'checking.part_tail_close' : 'checking.part_tail');
        }

        return new Saying('checking.next_open', ['parts' => Saying::joined('any.both', $open)]);
    }
}
