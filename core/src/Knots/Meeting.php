<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * Two centre lines meeting in the plane, before it is known which is on top.
 */
final readonly class Meeting
{
    public function __construct(
        public int $first,
        public float $firstAt,
        public int $second,
        public float $secondAt,
        public Point $at,
    ) {
    }
}
