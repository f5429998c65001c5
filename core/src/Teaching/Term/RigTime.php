<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Term;

use Compadre\Core\Teaching\Block;
use Compadre\Core\Teaching\PlanRig;
use Compadre\Core\Teaching\Rounds\Course;
use Compadre\Core\Teaching\Rounds\Deed;
use Compadre\Core\Teaching\Rounds\Standing;
use Compadre\Core\Words\Saying;

/**
 * Puts knots to use: the rigs that a plan has, those that leaders chose, and where time is left one of the knots just learned, that
 * those who are there can raise. No rig stands a second time in time that is left over.
 */
final class RigTime
{
    /** @var array<int, true> the rigs that stand in the term so far */
    private array $stood = [];

    /** @var list<array<int, true>> by meeting: knots taught */
    private array $taught = [];

    public function __construct(private readonly Course $course)
    {
    }

    /**
     * @param  Standing  $standing  after the meeting
     * @param  list<int>  $planned  rigs
     * @param  array<int, true>  $taught  knots of this meeting
     * @param  float  $room  minutes left for rigs that are not in the plan
     * @return list<Block>
     */
    public function of(int $meeting, Standing $standing, array $planned, array $taught, float $room): array
    {
        $this->taught[$meeting] = $taught;
        $blocks = [];
        foreach ($planned as $rig) {
            array_push($blocks, ...$this->blocks($rig, $meeting, (float) $this->course->rigs[$rig]->minutes, $this->why($rig, $meeting, $standing)));
        }
        foreach ($this->course->rigs as $rig => $pack) {
            if (in_array($pack->id, $this->course->meetings[$meeting]->rigs, true) && ! in_array($rig, $planned, true)) {
                $minutes = min((float) $pack->minutes, max(0.0, $room));
                $room -= $minutes;
                array_push($blocks, ...$this->blocks($rig, $meeting, $minutes, new Saying('teaching.rig_minutes', ['minutes' => $pack->minutes, 'left' => (int) floor($minutes)])));
            }
        }
        $rig = $blocks === [] ? $this->best($meeting, $standing, $room) : null;

        return $rig === null ? $blocks : $this->blocks($rig, $meeting, (float) $this->course->rigs[$rig]->minutes, new Saying('teaching.rig_uses', ['knots' => $this->justLearned($rig, $meeting)]));
    }

    private function best(int $meeting, Standing $standing, float $room): ?int
    {
        $best = null;
        foreach ($this->course->rigs as $rig => $pack) {
            $fresh = count($this->justLearned($rig, $meeting));
            if (isset($this->stood[$rig]) || $fresh === 0 || $pack->minutes > $room + 1e-6 || ! $this->course->mayRaise[$rig][$meeting] || ! $this->canBeRaised($pack, $meeting, $standing)) {
                continue;
            }
            $rank = [-$fresh, $pack->minutes, $pack->id];
            if ($best === null || $rank < $best[0]) {
                $best = [$rank, $rig];
            }
        }

        return $best[1] ?? null;
    }

    /** Whether half of those there can tie something in each of its places. */
    private function canBeRaised(PlanRig $rig, int $meeting, Standing $standing): bool
    {
        $present = $this->course->present[$meeting];

        return $present !== [] && $rig->canBeRaised(function (string $id) use ($meeting, $standing, $present): bool {
            $knot = $this->course->knot($id);

            return $knot !== null && ! $this->course->wishes->bans($this->course->knots[$knot], $this->course->meetings[$meeting]->id)
                && 2 * count(array_filter($present, static fn (int $learner): bool => $standing->has($learner, $knot))) >= count($present);
        });
    }

    /** @return list<string> names of knots of the rig that this meeting or the one before taught */
    private function justLearned(int $rig, int $meeting): array
    {
        $names = [];
        foreach ($this->course->rigs[$rig]->knots() as $id) {
            $knot = $this->course->knot($id);
            if ($knot !== null && isset((($this->taught[$meeting] ?? []) + ($this->taught[$meeting - 1] ?? []))[$knot])) {
                $names[] = $this->course->knots[$knot]->names[0];
            }
        }

        return $names;
    }

    private function why(int $rig, int $meeting, Standing $standing): Saying
    {
        $wanting = count(array_filter($this->course->present[$meeting], fn (int $learner): bool => $this->isMetHere($rig, $learner, $meeting, $standing)));

        return $wanting === 0 ? new Saying('teaching.rig_chosen') : new Saying('teaching.rig_badge', ['many' => $wanting]);
    }

    /** Whether a badge of the learner's wants a knot used in it, and this meeting is where that is met. */
    private function isMetHere(int $rig, int $learner, int $meeting, Standing $standing): bool
    {
        foreach ($standing->met[$learner] as $target => $when) {
            if ($when === $meeting + 1 && $this->course->targets[$target]->deed === Deed::Use && in_array($rig, $this->course->targets[$target]->rigs ?? [], true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Block> */
    private function blocks(int $rig, int $meeting, float $minutes, Saying $why): array
    {
        $this->stood[$rig] = true;
        $there = $this->course->ids($this->course->present[$meeting]);
        $blocks = [];
        foreach ($minutes > 0 ? PlanRig::PARTS : [] as $kind => $share) {
            $blocks[] = new Block($kind, $share * $minutes, null, $there, $why, rig: $this->course->rigs[$rig]->id);
        }

        return $blocks;
    }
}
