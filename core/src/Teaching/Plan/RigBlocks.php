<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

use Compadre\Core\Checking\Level;
use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\CourseNeeds;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanRig;

/**
 * Puts knots to use: the rigs that leaders chose for a meeting, and where time is left, one of the knots just learned, that those
 * who are there can raise. First what badges want a knot used in, then most of the knots learned at this meeting or the one before; no rig
 * stands a second time but for a badge.
 */
final class RigBlocks
{
    /** @var array<string, true> the rigs that stand in the term so far */
    private array $stood = [];

    /** @var array<string, array<string, true>> by learner: keys of what the term has let them use so far */
    private array $used = [];

    public function __construct(private readonly PlanCase $case, private readonly Term $term)
    {
    }

    /**
     * @param  float  $room  minutes left for them
     * @return list<Block>
     */
    public function of(int $meeting, float $room): array
    {
        $blocks = [];
        foreach ($this->case->meetings[$meeting]->rigs as $id) {
            $rig = $this->case->settings->rigs[$id] ?? null;
            if ($rig !== null) {
                $minutes = min((float) $rig->minutes, max(0.0, $room));
                $room -= $minutes;
                array_push($blocks, ...$this->blocks($rig, $meeting, $minutes, $minutes < $rig->minutes
                    ? sprintf('It takes %d minutes, and %d are left here.', $rig->minutes, (int) floor($minutes))
                    : 'Chosen for this meeting.'));
            }
        }
        $rig = $blocks === [] ? $this->best($meeting, $room) : null;

        return $rig === null ? $blocks : $this->blocks($rig, $meeting, (float) $rig->minutes, $this->why($rig, $meeting));
    }

    private function best(int $meeting, float $room): ?PlanRig
    {
        $best = null;
        foreach ($this->case->settings->rigs as $rig) {
            if (! $rig->isOffered || $rig->minutes > $room + 1e-6 || ! $this->fits($rig, $meeting)) {
                continue;
            }
            [$wanted, $fresh] = [count($this->wanting($rig, $meeting)), count($this->justLearned($rig, $meeting))];
            $rank = [-$wanted, -$fresh, $rig->minutes, $rig->id];
            $counts = $wanted > 0 || $fresh > 0 && ! isset($this->stood[$rig->id]);
            if ($counts && ($best === null || $rank < $best[0])) {
                $best = [$rank, $rig];
            }
        }

        return $best[1] ?? null;
    }

    /** Whether there is what it is made of, nobody is too young for it, and half of those there can tie something in each of its places. */
    private function fits(PlanRig $rig, int $meeting): bool
    {
        $objects = $this->case->meetings[$meeting]->objects;
        $present = $this->case->present[$meeting];
        if ($present === $this->case->nobody || $objects !== null && array_diff($rig->objects, $objects) !== [] || $this->case->youngest($present)->ages()[1] < $rig->ageFrom) {
            return false;
        }
        $half = Bits::size($present) / 2;

        return $rig->canBeRaised(fn (string $knot): bool => Bits::size($present & $this->having($knot, $meeting)) >= $half && ! $this->isBanned($knot, $meeting));
    }

    private function isBanned(string $knot, int $meeting): bool
    {
        $pack = $this->case->needs->knot($knot);

        return array_filter($this->case->settings->bans, fn (Ban $ban): bool => $ban->covers($pack, $this->case->meetings[$meeting]->id)) !== [];
    }

    /** @return string those who have the knot by the end of this meeting's lessons */
    private function having(string $knot, int $meeting): string
    {
        $having = Bits::of(count($this->case->learners), array_keys(array_filter($this->case->learners, static fn (PlanLearner $learner): bool => CourseNeeds::holds($learner, $knot))));
        $number = array_search($knot, $this->case->knots, true);
        foreach ($number === false ? [] : $this->term->taught[$number] as [$when, $who]) {
            $having = $when <= $meeting ? $having | $who : $having;
        }

        return $having;
    }

    /** @return list<array{string, string, string}> learner, knot and its key: whose badge wants a knot used in such a rig, and who will have it by then */
    private function wanting(PlanRig $rig, int $meeting): array
    {
        $numbers = array_flip(array_map(static fn (PlanLearner $learner): string => $learner->id, $this->case->learners));
        $wanting = [];
        foreach ($this->case->needs->goals() as $goal) {
            foreach ($goal['leaves'] as $leaf) {
                if ($leaf->level === Level::UsesIt && in_array($leaf->knot, $rig->knots(), true) && $rig->isMeantBy($leaf) && ! isset($this->used[$goal['learner']][$leaf->key()])
                    && Bits::has($this->case->present[$meeting] & $this->having($leaf->knot, $meeting), $numbers[$goal['learner']])) {
                    $wanting[] = [$goal['learner'], $leaf->knot, $leaf->key()];
                }
            }
        }

        return $wanting;
    }

    /** @return list<string> knots of the rig that this meeting or the one before taught */
    private function justLearned(PlanRig $rig, int $meeting): array
    {
        $fresh = [];
        foreach ($rig->knots() as $knot) {
            $number = array_search($knot, $this->case->knots, true);
            $when = $number === false ? [] : array_column($this->term->taught[$number], 0);
            if (array_intersect($when, [$meeting, $meeting - 1]) !== []) {
                $fresh[] = $knot;
            }
        }

        return $fresh;
    }

    private function why(PlanRig $rig, int $meeting): string
    {
        $wanting = array_unique(array_column($this->wanting($rig, $meeting), 0));
        $names = array_map(fn (string $knot): string => $this->case->needs->knot($knot)->names[0], $this->justLearned($rig, $meeting));

        return match (true) {
            $wanting !== [] => sprintf('%d %s to use a knot of it for a badge.', count($wanting), count($wanting) === 1 ? 'learner has' : 'learners have'),
            default => sprintf('Puts to use what was just learned: %s.', implode(', ', $names)),
        };
    }

    /** @return list<Block> */
    private function blocks(PlanRig $rig, int $meeting, float $minutes, string $why): array
    {
        $this->stood[$rig->id] = true;
        foreach ($this->wanting($rig, $meeting) as [$learner, , $key]) {
            $this->used[$learner][$key] = true;
        }
        $there = array_map(fn (int $learner): string => $this->case->learners[$learner]->id, Bits::members($this->case->present[$meeting]));
        $blocks = [];
        foreach ($minutes > 0 ? PlanRig::PARTS : [] as $kind => $share) {
            $blocks[] = new Block($kind, $share * $minutes, null, $there, $why, rig: $rig->id);
        }

        return $blocks;
    }
}
