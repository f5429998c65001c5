<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

/**
 * A term as it would run: what each meeting teaches to whom, and who is left without at the end.
 */
final class Term
{
    /** @var list<list<array{int, string, ?int}>> lessons of each meeting in order: knot, learners, and the lesson it runs beside */
    public array $lessons = [];

    /** @var list<list<array{int, string}>> knots tied again of each meeting: knot and learners */
    public array $revisits = [];

    /** @var array<int, list<array{int, string}>> by knot: meeting and learners taught */
    public array $taught;

    /** @var array<int, list<array{int, string}>> by knot: meeting and learners who tie it on another day */
    public array $tiedAgain = [];

    public float $crowding = 0.0;

    /**
     * @param  array<int, int>  $choice  by knot: the meeting it is shown in, or -1
     * @param  float  $patience  learners for each minute, below which a lesson for those who missed it waits
     * @param  array<int, string>  $lacking  by knot: learners not taught in time
     * @param  array<int, string>  $again  by knot: learners without their second day in time
     */
    public function __construct(public array $choice, public float $patience, public array $lacking, public array $again)
    {
        $this->taught = $this->tiedAgain = array_fill(0, count($choice), []);
    }

    public function unmet(): int
    {
        $unmet = 0;
        foreach ($this->lacking as $knot => $set) {
            $unmet += Bits::size($set | $this->again[$knot]);
        }

        return $unmet;
    }

    /** Knots shown in another meeting than the previous plan had them in. */
    public function moved(PlanCase $case): int
    {
        $moved = 0;
        foreach ($case->previous as $knot => $before) {
            $moved += $before !== null && $before !== $this->choice[$knot] ? 1 : 0;
        }

        return $moved;
    }

    /** @return list<?int> by goal: the number of the meeting that completes it, null if none does */
    public function completed(PlanCase $case): array
    {
        $completed = [];
        foreach ($case->goals as $goal) {
            $last = 0;
            foreach ($goal['leaves'] as [$knot, $two]) {
                $at = $this->at($two ? $this->tiedAgain[$knot] : $this->taught[$knot], $goal['learner']);
                if ($at === null) {
                    $completed[] = null;

                    continue 2;
                }
                $last = max($last, $at);
            }
            $completed[] = $last;
        }

        return $completed;
    }

    /** Sum over learners and badges of the number (from 1) of the meeting that completes them; one past the last for never. */
    public function completion(PlanCase $case): int
    {
        return array_sum(array_map(static fn (?int $meeting): int => ($meeting ?? count($case->meetings)) + 1, $this->completed($case)));
    }

    /** @param  list<array{int, string}>  $events */
    private function at(array $events, int $learner): ?int
    {
        foreach ($events as [$meeting, $who]) {
            if (Bits::has($who, $learner)) {
                return $meeting;
            }
        }

        return null;
    }
}
