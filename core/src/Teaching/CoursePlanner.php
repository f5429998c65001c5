<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching;

use Compadre\Core\Checking\Level;
use Compadre\Core\Knots\Library;

/**
 * Lays the open needs into the dated meetings: prerequisites first, then the earliest badge date, then the knots most
 * learners need. Every meeting keeps time to start, to clear up and a fifth of itself for old knots; a knot is kept at
 * the earliest one meeting after it was shown. What does not fit is listed with its reason and the cheapest remedy.
 */
final class CoursePlanner
{
    /** @var array<string, PlanLearner> */
    private array $learners = [];

    /** @var array<string, int> knot => number of the meeting it is shown in; -1: shown before */
    private array $shown = [];

    /** @var array<string, list<Block>> */
    private array $blocks = [];

    /** @var array<string, array<string, true>> knots and learners whose keep is planned */
    private array $keeping = [];

    /** @var list<UnmetNeed> */
    private array $unmet = [];

    /**
     * @param  list<PlanLearner>  $learners
     * @param  list<PlanMeeting>  $meetings  by date
     */
    private function __construct(private readonly CourseNeeds $needs, array $learners, private readonly array $meetings)
    {
        foreach ($learners as $learner) {
            $this->learners[$learner->id] = $learner;
        }
    }

    /**
     * @param  list<PlanLearner>  $learners
     * @param  array<string, BadgePack>  $badges  by id
     * @param  array<string, ?string>  $dates  by badge id: when it is to be done
     * @param  list<PlanMeeting>  $meetings  those still to come, by date
     */
    public static function plan(array $learners, array $badges, array $dates, array $meetings, Library $library): CoursePlan
    {
        $planner = new self(CourseNeeds::of($learners, $badges, $dates, $library), $learners, $meetings);
        $planner->findShown();
        $waiting = $planner->waiting();
        foreach ($meetings as $number => $meeting) {
            $waiting = $planner->fill($number, $meeting, $waiting);
        }
        $planner->listUnmet($waiting);

        return new CoursePlan($planner->blocks, $planner->unmet);
    }

    /** A knot that anyone has met with counts as shown. */
    private function findShown(): void
    {
        foreach ($this->learners as $learner) {
            foreach (array_keys($learner->levels) as $knot) {
                $this->shown[$knot] = -1;
            }
        }
    }

    /** @return list<string> knots that some learner does not have yet, in the order to teach them */
    private function waiting(): array
    {
        return array_values(array_filter($this->needs->order(), fn (string $knot): bool => $this->toTeach($knot) !== []));
    }

    /** @return list<string> learners who need the knot and do not have it */
    private function toTeach(string $knot): array
    {
        $ids = [];
        foreach (array_keys($this->needs->learnersFor($knot)) as $id) {
            $level = $this->learners[$id]->levels[$knot] ?? null;
            if ($level === null || $level->rung() < Level::HasIt->rung()) {
                $ids[] = $id;
            }
        }

        return $ids;
    }

    /**
     * @param  list<string>  $waiting
     * @return list<string> what is still waiting afterwards
     */
    private function fill(int $number, PlanMeeting $meeting, array $waiting): array
    {
        $room = (float) ($meeting->minutes - TimeModel::WELCOME - TimeModel::CLEAR_UP);
        $share = TimeModel::OLD_SHARE * $meeting->minutes;
        $old = $this->oldKnots($number, $meeting, min($share, $room));
        $blocks = [];
        $left = [];
        $freshLimit = $this->freshLimit();
        $fresh = 0;
        $taught = $room - max($share, self::sum($old));
        foreach ($waiting as $knot) {
            $again = isset($this->shown[$knot]);
            $minutes = $this->minutes($knot, $meeting);
            if (! $again && $fresh >= $freshLimit || $minutes > $taught || $this->blocked($knot, $left) || $this->tooLate($knot, $meeting)) {
                $left[] = $knot;

                continue;
            }
            $blocks[] = $this->teach($knot, $minutes, $again);
            $taught -= $minutes;
            $fresh += $again ? 0 : 1;
            $this->shown[$knot] = $number;
        }
        $free = $room - self::sum($old) - self::sum($blocks);
        if ($free >= 1) {
            $blocks[] = new Block('free', $free, null, [], 'Time to use the knots, or to finish what runs over.');
        }
        $this->blocks[$meeting->id] = [
            new Block('welcome', TimeModel::WELCOME, null, [], 'Five minutes to start.'),
            ...$old, ...$blocks,
            new Block('clear_up', TimeModel::CLEAR_UP, null, [], 'Five minutes to clear up and count the rope.'),
        ];

        return $left;
    }

    private function teach(string $knot, float $minutes, bool $again): Block
    {
        $ids = $this->toTeach($knot);
        $why = $again
            ? sprintf('%d %s not have it yet.', count($ids), count($ids) === 1 ? 'learner does' : 'learners do')
            : sprintf('%d %s it; show twice, tie along, first tries.', count($ids), count($ids) === 1 ? 'learner needs' : 'learners need');

        return new Block($again ? 'again' : 'new', $minutes, $knot, $ids, $why);
    }

    /**
     * Old knots for a fifth of the meeting: first those someone has to tie again to keep, then by how likely they
     * are forgotten.
     *
     * @return list<Block>
     */
    private function oldKnots(int $number, PlanMeeting $meeting, float $share): array
    {
        $ranked = [];
        foreach (array_keys($this->shown) as $knot) {
            $keepers = $this->keepers($knot, $number);
            $faded = $this->faded($knot, $meeting->date);
            if ($keepers !== [] || $faded !== []) {
                $ranked[] = [$keepers === [] ? 1 : 0, $faded === [] ? 1.0 : min($faded), (string) $knot, $keepers, array_keys($faded)];
            }
        }
        usort($ranked, static fn (array $a, array $b): int => [$a[0], $a[1], $a[2]] <=> [$b[0], $b[1], $b[2]]);
        $blocks = [];
        $used = 0.0;
        foreach ($ranked as [, $chance, $knot, $keepers, $faded]) {
            $who = array_values(array_unique([...$keepers, ...$faded]));
            $minutes = TimeModel::oldKnot(count($who), $meeting->checkers);
            if ($used + $minutes > $share) {
                continue;
            }
            $used += $minutes;
            foreach ($keepers as $id) {
                $this->keeping[$knot][$id] = true;
            }
            $blocks[] = new Block('old', $minutes, $knot, $who, $keepers !== []
                ? sprintf('%d can show that they kept it.', count($keepers))
                : sprintf('Fading: the longest unseen has a chance of %d %% left.', (int) round(100 * $chance)));
        }

        return $blocks;
    }

    /** @return list<string> learners who have to tie it on another day and could in this meeting */
    private function keepers(string $knot, int $number): array
    {
        $ids = [];
        foreach ($this->needs->learnersFor($knot) as $id => $level) {
            $reached = $this->learners[$id]->levels[$knot] ?? null;
            $has = $reached !== null && $reached->rung() >= Level::HasIt->rung();
            if ($level === Level::Kept && ! isset($this->keeping[$knot][$id]) && ($has || ($this->shown[$knot] >= 0 && $this->shown[$knot] < $number))) {
                $ids[] = (string) $id;
            }
        }

        return $ids;
    }

    /** @return array<string, float> learners for whom the knot is due on a day, with the chance left */
    private function faded(string $knot, string $day): array
    {
        $chances = [];
        foreach ($this->learners as $id => $learner) {
            $memory = $learner->memories[$knot] ?? null;
            if ($memory !== null && $memory->due($day) && ! isset($this->keeping[$knot][$id])) {
                $chances[(string) $id] = $memory->chance($day);
            }
        }

        return $chances;
    }

    private function minutes(string $knot, PlanMeeting $meeting): float
    {
        $ids = $this->toTeach($knot);
        $youngest = AgeBand::youngest(array_map(fn (string $id): AgeBand => $this->learners[$id]->band, $ids));

        return TimeModel::newKnot($this->needs->minutes($knot), $youngest, count($ids), $meeting->checkers);
    }

    private function freshLimit(): int
    {
        $bands = array_values(array_map(static fn (PlanLearner $learner): AgeBand => $learner->band, $this->learners));

        return AgeBand::youngest($bands)->newKnotsAMeeting();
    }

    /** @param  list<string>  $left */
    private function blocked(string $knot, array $left): bool
    {
        return array_intersect($this->needs->before($knot), $left) !== [];
    }

    private function tooLate(string $knot, PlanMeeting $meeting): bool
    {
        $date = $this->needs->dueOn($knot);

        return $date !== null && $meeting->date > $date;
    }

    /** @param  list<string>  $waiting */
    private function listUnmet(array $waiting): void
    {
        foreach ($waiting as $knot) {
            $this->unmet[] = UnmetReason::notShown($this->needs, $knot, $this->toTeach($knot), $this->meetings, fn (PlanMeeting $meeting): float => $this->minutes($knot, $meeting), array_values(array_intersect($this->needs->before($knot), $waiting)));
        }
        foreach ($this->needs->order() as $knot) {
            $ids = [];
            foreach ($this->needs->learnersFor($knot) as $id => $level) {
                if ($level === Level::Kept && ! isset($this->keeping[$knot][$id]) && ! in_array($knot, $waiting, true)) {
                    $ids[] = (string) $id;
                }
            }
            if ($ids !== []) {
                $this->unmet[] = UnmetReason::notKept($this->needs->knot($knot), $ids, $this->meetings);
            }
        }
    }

    /** @param  list<Block>  $blocks */
    private static function sum(array $blocks): float
    {
        return array_sum(array_map(static fn (Block $block): float => $block->minutes, $blocks));
    }
}
