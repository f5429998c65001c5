<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

/**
 * The best term found: first by laying knots into the first meeting with room, in several orders; then by moving one knot
 * at a time; then, where the case is small enough, by looking at every way to choose a meeting for each knot, leaving out
 * branches that a bound shows to be no better. Work is counted in terms played, not in time: the same case, the same plan.
 */
final class Search
{
    /** Terms played while knots are moved one at a time: fewer where each is longer. */
    private const MOVES = 70_000;

    /** Branches looked at before the proof is given up. */
    private const BRANCHES = 20_000;

    /** Learners for each minute, below which a lesson for those who missed it waits. */
    public const PATIENCE = [0.0, 0.4, 1.0, 3.0];

    private Term $best;

    private Objective $mark;

    private int $branches = 0;

    public bool $proven = false;

    private readonly Bound $bound;

    private function __construct(private readonly PlanCase $case)
    {
        $this->bound = new Bound($case);
        [$this->best, $this->mark] = $this->greedy();
    }

    public static function in(PlanCase $case): self
    {
        $search = new self($case);
        $search->better();
        $least = $search->bound();
        $search->proven = ! $least->isBetterThan($search->mark) || $search->prove();

        return $search;
    }

    /** A good term in a few plays, to see what a change would come to. */
    public static function quickly(PlanCase $case): Term
    {
        return (new self($case))->best;
    }

    public function term(): Term
    {
        return $this->best;
    }

    public function objective(): Objective
    {
        return $this->mark;
    }

    /** No term is better than this. */
    public function bound(): Objective
    {
        if ($this->proven) {
            return $this->mark;
        }
        [$unmet, $completion] = $this->bound->with([]);

        return Objective::atLeast(max($unmet, $this->bound->unmet()), 0, $completion);
    }

    /**
     * The best of the plans that lay each knot into the first meeting with room.
     *
     * @return array{Term, Objective}
     */
    private function greedy(): array
    {
        $start = array_map(static fn (?int $pinned): int => $pinned ?? Rehearsal::OPEN, $this->case->pinned);
        $best = null;
        foreach ($this->orders() as $order) {
            foreach (self::PATIENCE as $patience) {
                foreach ([1.0, 0.0] as $roomShare) {
                    // Played again by the choice made: lessons then come in the order of what builds on what.
                    $laid = Rehearsal::of($this->case, $start, $patience, $order, $roomShare);
                    $best = $laid === null ? $best : $this->betterOf($best, Rehearsal::of($this->case, $laid->choice, $patience));
                }
            }
        }
        $best ??= $this->betterOf(null, $this->withoutWhatDoesNotFit($start));
        $before = array_map(fn (?int $previous, int $knot): int => $this->case->pinned[$knot] ?? ($previous !== null && $this->case->allowed[$knot][$previous] ? $previous : Rehearsal::OPEN), $this->case->previous, array_keys($this->case->previous));

        $kept = $this->case->settings->previous === null ? null : Rehearsal::of($this->case, $before);

        return $this->betterOf($best, $kept === null ? null : Rehearsal::of($this->case, $kept->choice)) ?? throw new \LogicException('A term without any lesson always fits.');
    }

    /**
     * Pins may ask for more than a meeting holds: the last of them give way.
     *
     * @param  list<int>  $start
     */
    private function withoutWhatDoesNotFit(array $start): ?Term
    {
        $choice = array_map(static fn (int $meeting): int => max(-1, $meeting), $start);
        for ($knot = count($choice) - 1; $knot >= 0; $knot--) {
            $term = Rehearsal::of($this->case, $choice);
            if ($term !== null) {
                return $term;
            }
            $choice[$knot] = -1;
        }

        return Rehearsal::of($this->case, $choice);
    }

    /**
     * @param  ?array{Term, Objective}  $best
     * @return ?array{Term, Objective}
     */
    private function betterOf(?array $best, ?Term $term): ?array
    {
        if ($term === null) {
            return $best;
        }
        $mark = Objective::of($this->case, $term);

        return $best === null || $mark->isBetterThan($best[1]) ? [$term, $mark] : $best;
    }

    /** @return list<?list<int>> orders to try knots in: always the most served for a minute; as the needs have them; most needs for a minute; quickest */
    private function orders(): array
    {
        $all = array_keys($this->case->knots);
        $dense = $quick = $all;
        $each = array_map(fn (int $knot): float => ($this->case->needs->minutes($this->case->knots[$knot]) + 1) / (1 + Bits::size($this->case->lacking[$knot])), $all);
        usort($dense, static fn (int $a, int $b): int => [$each[$a], $a] <=> [$each[$b], $b]);
        usort($quick, fn (int $a, int $b): int => [$this->case->needs->minutes($this->case->knots[$a]), $a] <=> [$this->case->needs->minutes($this->case->knots[$b]), $b]);

        return [null, $all, $dense, $quick];
    }

    /** Moves one knot at a time while that makes the term better. */
    private function better(): void
    {
        $left = (int) (self::MOVES / max(1, count($this->case->knots) * count($this->case->meetings)));
        do {
            $moved = false;
            foreach (self::PATIENCE as $patience) {
                $moved = $this->take($this->best->choice, $patience) || $moved;
            }
            foreach (array_keys($this->case->knots) as $knot) {
                if ($this->case->pinned[$knot] !== null || $this->case->lacking[$knot] === $this->case->nobody) {
                    continue;
                }
                foreach ([...$this->case->choices($knot), -1] as $meeting) {
                    if ($meeting === $this->best->choice[$knot] || $left-- <= 0) {
                        continue;
                    }
                    $moved = $this->take(array_replace($this->best->choice, [$knot => $meeting])) || $moved;
                }
            }
        } while ($moved && $left > 0);
    }

    /** @param  array<int, int>  $choice */
    private function take(array $choice, ?float $patience = null): bool
    {
        $term = Rehearsal::of($this->case, $choice, $patience ?? $this->best->patience);
        if ($term === null || $term->unmet() > $this->mark->unmet) {
            return false;
        }
        $mark = Objective::of($this->case, $term);
        if (! $mark->isBetterThan($this->mark)) {
            return false;
        }
        [$this->best, $this->mark] = [$term, $mark];

        return true;
    }

    private function prove(): bool
    {
        $branches = 1.0;
        foreach (array_keys($this->case->knots) as $knot) {
            $branches *= 1 + count($this->case->choices($knot));
        }

        return $branches <= 10_000_000 && $this->branch([], 0);
    }

    /**
     * @param  array<int, int>  $choice  of the knots before this one
     * @return bool whether every branch was looked at or shown to be no better
     */
    private function branch(array $choice, int $moved): bool
    {
        if (++$this->branches > self::BRANCHES) {
            return false;
        }
        $knot = count($choice);
        $unmet = $this->bound->unmetWith($choice);
        // Completion takes longer to reckon and is only asked for where it can decide.
        if (! Objective::atLeast($unmet, $moved, 0)->isBetterThan($this->mark) || ! Objective::atLeast($unmet, $moved, $this->bound->completionWith($choice))->isBetterThan($this->mark)) {
            return true;
        }
        if ($knot === count($this->case->knots)) {
            foreach (self::PATIENCE as $patience) {
                $this->take($choice, $patience);
            }

            return true;
        }
        $free = $this->case->lacking[$knot] !== $this->case->nobody;
        foreach ($free ? [...$this->case->choices($knot), ...($this->case->pinned[$knot] === null || $this->case->pinned[$knot] < 0 ? [-1] : [])] : [-1] as $meeting) {
            $before = $this->case->previous[$knot];
            if (! $this->branch([...$choice, $meeting], $moved + ($before !== null && $before !== $meeting ? 1 : 0))) {
                return false;
            }
        }

        return true;
    }
}
