<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\PlanLearner;
use Compadre\Core\Teaching\PlanRig;

/**
 * Who is on the way to which badge, and what the badges ask for.
 */
final class WayToBadges
{
    /** @var list<Pursuit> by learner, then as the learner has them */
    public array $pursuits = [];

    /** @var list<Target> */
    public array $targets = [];

    /** @var array<string, int> */
    private array $numbers = [];

    /**
     * @param  list<PlanLearner>  $learners
     * @param  array<string, Aim>  $aims  by badge id
     * @param  list<Evening>  $meetings  by date
     * @param  array<string, int>  $knots  numbers by id
     * @param  list<PlanRig>  $rigs
     */
    public function __construct(array $learners, private readonly array $aims, private readonly array $meetings, private readonly array $knots, private readonly array $rigs, private readonly bool $ticksByHand = false)
    {
        $asks = [];
        foreach ($learners as $number => $learner) {
            $mine = [];
            foreach ($learner->badges as $place => $badge) {
                $mine[$badge] = count($this->pursuits) + $place;
            }
            foreach ($learner->badges as $badge) {
                $aim = $aims[$badge];
                $asks[$badge] ??= Ask::of($aim->badge->requirement, $this->targetFor(...));
                $this->pursuits[] = new Pursuit($number, $badge, $asks[$badge], $this->lastInTime($aim), $this->comesAfter($badge, $mine), $this->preferred($asks[$badge], $aim));
            }
        }
    }

    private function lastInTime(Aim $aim): int
    {
        $by = count($this->meetings);
        while ($aim->isFirm && $aim->dueOn !== null && $by > 0 && $this->meetings[$by - 1]->date > $aim->dueOn) {
            $by--;
        }

        return $by;
    }

    /** @return array<int, int> place among the leaders' preferences, by target */
    private function preferred(Ask $ask, Aim $aim): array
    {
        $preferred = [];
        foreach ($ask->targets() as $target) {
            $place = array_search($this->targets[$target]->leaf->knot, $aim->preferences, true);
            $preferred[$target] = $place === false ? count($aim->preferences) : $place;
        }

        return $preferred;
    }

    /**
     * @param  array<string, int>  $mine  pursuits of a learner by badge
     * @return list<int>
     */
    private function comesAfter(string $badge, array $mine): array
    {
        $found = [];
        for ($next = $this->aims[$badge]->badge->after; $next !== [];) {
            $one = array_shift($next);
            if (isset($mine[$one]) && $one !== $badge && ! in_array($mine[$one], $found, true)) {
                $found[] = $mine[$one];
                array_push($next, ...$this->aims[$one]->badge->after);
            }
        }

        return $found;
    }

    private function targetFor(Leaf $leaf): int
    {
        $key = $leaf->level->value.' '.$leaf->knot.' '.($leaf->in ?? '');
        if (! isset($this->numbers[$key])) {
            $this->numbers[$key] = count($this->targets);
            $this->targets[] = Target::of($this->knots[$leaf->knot], $leaf, $this->rigs, $this->ticksByHand);
        }

        return $this->numbers[$key];
    }
}
