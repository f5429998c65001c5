<?php

declare(strict_types=1);

namespace Compadre\Core\Mistakes;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Refusal;

/**
 * Names what a learner tied from the overs and unders seen along a method, some of them unknown.
 */
final readonly class Naming
{
    public function __construct(private Library $library, private KnotIndex $index)
    {
    }

    /**
     * @param  array<string, string>  $answers by rope, in order of travel: "o" over, "u" under, "?" not seen
     * @return list<Guess> the best match first
     *
     * @throws Refusal when the answers are too many or too few, or say that both strands are on top of each other
     */
    public function of(KnotPack $knot, Method $method, array $answers): array
    {
        $diagram = DiagramBuilder::loose($method, $knot->file);
        $flipped = $this->flipped($diagram, $answers);
        $order = TyingOrder::of($method, $diagram, $knot->file);
        $guesses = [$this->guess(Outcome::same(), $knot->id, [], $flipped, $order)];
        foreach ((new MistakeFinder($this->library, $this->index))->of($knot, $method) as $found) {
            if ($found->slip->flips !== null && $found->slip->flips !== [] && $found->slip->exchanged === []) {
                $guesses[] = $this->guess($found->becomes, $found->becomes->knot, $found->slip->flips, $flipped, $order);
            }
        }
        if (! in_array(null, $flipped, true)) {
            $seen = array_keys(array_filter($flipped));
            $code = KnotIndex::code($knot, $method);
            $becomes = (new Judge($this->library, $this->index, $knot, $code))->outcome($code->flipped($seen));
            $guesses[] = $this->guess($becomes, $becomes->isGood() ? $knot->id : $becomes->knot, $seen, $flipped, $order);
        }

        return self::best($guesses);
    }

    /**
     * For each crossing whether what was seen is the other way from what is taught; null where nothing was seen.
     *
     * @param  array<string, string>  $answers
     * @return array<int, ?bool>
     */
    private function flipped(Diagram $diagram, array $answers): array
    {
        $flipped = array_fill_keys(array_keys($diagram->crossings), null);
        foreach ($diagram->strands as $number => $strand) {
            if (! $strand->kind->isRope()) {
                continue;
            }
            $visits = $diagram->visits($number);
            $seen = $answers[$strand->id] ?? str_repeat('?', count($visits));
            if (strlen($seen) !== count($visits) || preg_match('/^[ou?]*$/', $seen) !== 1) {
                throw Refusal::of("/answers/{$strand->id}", $seen, 'mistakes.letters', ['letters' => count($visits)]);
            }
            foreach ($visits as $place => $visit) {
                if ($seen[$place] === '?') {
                    continue;
                }
                $other = ($seen[$place] === 'o') !== $visit->over;
                if (($flipped[$visit->crossing] ?? $other) !== $other) {
                    throw Refusal::of("/answers/{$strand->id}", $seen, 'mistakes.opposite', ['crossing' => $place + 1]);
                }
                $flipped[$visit->crossing] = $other;
            }
        }
        foreach (array_diff_key($answers, array_flip(array_map(static fn (Strand $strand): string => $strand->id, $diagram->strands))) as $id => $seen) {
            throw Refusal::of("/answers/$id", $seen, 'mistakes.ropes');
        }

        return $flipped;
    }

    /**
     * @param  list<int>  $flips where the guess differs from what is taught
     * @param  array<int, ?bool>  $flipped
     */
    private function guess(Outcome $becomes, ?string $knot, array $flips, array $flipped, TyingOrder $order): Guess
    {
        $against = 0;
        $unseen = 0;
        foreach ($flipped as $crossing => $seen) {
            $unseen += $seen === null ? 1 : 0;
            $against += $seen !== null && $seen !== in_array($crossing, $flips, true) ? 1 : 0;
        }
        $parts = null;
        foreach ($flips as $crossing) {
            if ($parts === null || $order->stepOf[$crossing] < $order->stepOf[$parts]) {
                $parts = $crossing;
            }
        }

        return new Guess($becomes, $knot, $against, $unseen, $parts, $parts === null ? null : max(1, $order->stepOf[$parts]));
    }

    /**
     * One guess for each outcome, the one with the least against it.
     *
     * @param  list<Guess>  $guesses
     * @return list<Guess>
     */
    private static function best(array $guesses): array
    {
        usort($guesses, static fn (Guess $a, Guess $b): int => [$a->against, $a->becomes->kind === OutcomeKind::Unnamed] <=> [$b->against, $b->becomes->kind === OutcomeKind::Unnamed]);
        $kept = [];
        foreach ($guesses as $guess) {
            $kept["{$guess->becomes->kind->value} {$guess->knot}"] ??= $guess;
        }

        return array_values($kept);
    }
}
