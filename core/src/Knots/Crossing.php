<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * Where one strand passes over another. The strands are numbers into the diagram; s is the length along each; angle
 * in radians between the two lines, at most a right angle; turn +1 where the upper strand runs from left to right as seen by
 * one who travels along the lower, else -1; sign the same, but null where an object, which has no direction, takes part.
 */
final readonly class Crossing
{
    public function __construct(
        public int $over,
        public float $overAt,
        public int $under,
        public float $underAt,
        public Point $at,
        public float $angle,
        public int $turn,
        public ?int $sign,
    ) {
    }

    /** The same crossing with the other strand on top. */
    public function flipped(): self
    {
        return new self($this->under, $this->underAt, $this->over, $this->overAt, $this->at, $this->angle, -$this->turn, $this->sign === null ? null : -$this->sign);
    }
}
