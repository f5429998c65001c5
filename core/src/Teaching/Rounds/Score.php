<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Rounds;

/**
 * What a plan is judged by: knot leaves missing; the sum of the numbers of the meetings that complete badges; what will be
 * forgotten, to a tenth; crowding, to a thousandth; and the promises moved, by meeting.
 */
final readonly class Score
{
    /** @param  list<int>  $moved  promises moved, by meeting */
    public function __construct(public int $unmet, public int $completion, public float $forgotten, public float $crowding, public array $moved = [])
    {
    }

    /** @return list<float> the four terms in the order in which they are compared */
    public function terms(bool $soon): array
    {
        return $soon
            ? [$this->unmet, $this->completion, $this->forgotten, $this->crowding]
            : [$this->unmet, $this->forgotten, $this->completion, $this->crowding];
    }

    /** Below nought where this one is better: two terms, then promises, then the other two; where promises are held to, they come before all. */
    public function against(self $other, Wishes $wishes): int
    {
        return $this->rank($wishes) <=> $other->rank($wishes);
    }

    /** @return list<float> */
    private function rank(Wishes $wishes): array
    {
        [$first, $second, $third, $fourth] = $this->terms($wishes->soon);
        $moved = [array_sum($this->moved), ...$this->moved];

        return $wishes->held ? [...$moved, $first, $second, $third, $fourth] : [$first, $second, ...$moved, $third, $fourth];
    }

    /** @return array{int, int, float, float} unmet, completion, forgotten, crowding */
    public function toArray(): array
    {
        return [$this->unmet, $this->completion, $this->forgotten, $this->crowding];
    }
}
