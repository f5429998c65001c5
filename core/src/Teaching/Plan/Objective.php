<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

/**
 * What a plan is judged by, in this order: learner-requirements unmet at their date; knots moved against the plan before
 * (nought where there is none); the sum of the numbers of the meetings that complete each learner's badges; the sum of the
 * squares of minutes of lessons beyond what each meeting has for them.
 */
final readonly class Objective
{
    private function __construct(public int $unmet, public int $moved, public int $completion, public float $crowding)
    {
    }

    public static function of(PlanCase $case, Term $term): self
    {
        return new self($term->unmet(), $term->moved($case), $term->completion($case), round($term->crowding, 6));
    }

    public static function atLeast(int $unmet, int $moved, int $completion): self
    {
        return new self($unmet, $moved, $completion, 0.0);
    }

    public function isBetterThan(self $other): bool
    {
        return [$this->unmet, $this->moved, $this->completion, $this->crowding] < [$other->unmet, $other->moved, $other->completion, $other->crowding];
    }

    /** @return array{int, int, float} */
    public function terms(): array
    {
        return [$this->unmet, $this->completion, $this->crowding];
    }
}
