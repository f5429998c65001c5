<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * Learners who could be taught a knot at one station, those it is worth most to first.
 */
final class Circle
{
    /** @var ?list<float> what it is worth to the first so many */
    private ?array $sums = null;

    /**
     * @param  non-empty-list<int>  $learners
     * @param  non-empty-list<float>  $worth  to each
     * @param  float  $showing  minutes of a lesson for up to eight of them, without its checking
     * @param  float  $help  what it is worth that somebody can help
     */
    public function __construct(public readonly int $knot, public readonly array $learners, private readonly array $worth, public readonly float $showing, public readonly float $help)
    {
    }

    public function worthOf(int $many): float
    {
        if ($this->sums === null) {
            $sum = 0.0;
            $this->sums = [0.0];
            foreach ($this->worth as $each) {
                $this->sums[] = $sum += $each;
            }
        }

        return $this->sums[$many];
    }

    /** @param  array<int, true>  $busy */
    public function without(array $busy): ?self
    {
        $learners = $worth = [];
        foreach ($this->learners as $place => $learner) {
            if (! isset($busy[$learner])) {
                $learners[] = $learner;
                $worth[] = $this->worth[$place];
            }
        }
        if ($learners === [] || $worth === []) {
            return null;
        }

        return count($learners) === count($this->learners) ? $this : new self($this->knot, $learners, $worth, $this->showing, $this->help);
    }
}
