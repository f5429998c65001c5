<?php

declare(strict_types=1);

namespace Compadre\Core\Checking;

use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Catalogue;

/**
 * Every way a check of a knot can turn out, in a table that a device without a network looks up: for each combination of
 * what was seen, the verdict and what to do next. Until the server has derived it, it is provisional: the level reached is
 * not known there.
 */
final class VerdictTable
{
    /**
     * @return array<string, array{verdict: string, next: string}> by tying, dressing, tail and prompts, as "yes,yes,no,0", and with
     *                                                             ",no" behind it where the knot's own test says no
     */
    public static function of(KnotPack $knot, TailRule $tails, Catalogue $words): array
    {
        $rule = new VerdictRule($tails);
        $table = [];
        // Much of it comes to the same few sentences.
        $said = [];
        $looked = [Seen::Yes, Seen::No, Seen::NotLooked];
        foreach ($looked as $tying) {
            foreach ($knot->hasDressing ? $looked : [Seen::NotApplicable] as $dressing) {
                foreach ($knot->hasTail ? $looked : [Seen::NotApplicable] as $tail) {
                    for ($prompts = 0; $prompts <= 2; $prompts++) {
                        foreach ($knot->test === '' ? [Seen::NotLooked] : [Seen::NotLooked, Seen::No] as $test) {
                            $seen = new Observation($tying, $dressing, $tail, How::Attested, $prompts, null, Measure::Millimetres, null, null, $test);
                            $finding = $rule->judge($seen, $knot, TailSchool::Longer, false);
                            $next = NextStep::of($finding, $seen, $knot, $finding->verdict === Verdict::HasIt ? Level::HasIt : null);
                            $table["$tying->value,$dressing->value,$tail->value,$prompts".($test === Seen::No ? ',no' : '')] = [
                                'verdict' => $finding->verdict->value, 'next' => $said[serialize($next)] ??= $words->say($next),
                            ];
                        }
                    }
                }
            }
        }

        return $table;
    }

    /**
     * What one tap comes to: every part that applies is right, without a prompt.
     *
     * @return array{verdict: string, next: string}
     */
    public static function clean(KnotPack $knot, TailRule $tails, Catalogue $words): array
    {
        $seen = Observation::cleanPass($knot->hasDressing, $knot->hasTail);
        $finding = (new VerdictRule($tails))->judge($seen, $knot, TailSchool::Longer, false);

        return ['verdict' => $finding->verdict->value, 'next' => $words->say(NextStep::of($finding, $seen, $knot, Level::HasIt))];
    }

    /**
     * For each way of measuring, the lengths in mm below which a tail is short and above which it is long enough; in
     * between the measure cannot tell. From |measured - required| <= uncertainty, solved for the measured length.
     *
     * @return array<string, array{float, float}>
     */
    public static function limits(int $required, float $diameter): array
    {
        $limits = [];
        foreach (Measure::cases() as $by) {
            $limits[$by->value] = match ($by) {
                // A fifth of the value itself, not of what is required.
                Measure::Finger => [$required / 1.2, $required / 0.8],
                default => [$required - $by->uncertainty((float) $required, $diameter), $required + $by->uncertainty((float) $required, $diameter)],
            };
        }

        return $limits;
    }
}
