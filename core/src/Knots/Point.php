<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Refusal;

/**
 * A place on the drawing plane, in rope widths; x to the right, y down, as on a screen.
 */
final readonly class Point
{
    public function __construct(public float $x, public float $y)
    {
    }

    /** @throws Refusal for anything but two numbers */
    public static function read(mixed $pair, string $place): self
    {
        $x = is_array($pair) ? ($pair[0] ?? null) : null;
        $y = is_array($pair) ? ($pair[1] ?? null) : null;
        if (! is_numeric($x) || ! is_numeric($y)) {
            throw Refusal::of($place, $pair, 'knots.point');
        }

        return new self((float) $x, (float) $y);
    }

    public function plus(self $other): self
    {
        return new self($this->x + $other->x, $this->y + $other->y);
    }

    public function minus(self $other): self
    {
        return new self($this->x - $other->x, $this->y - $other->y);
    }

    public function times(float $factor): self
    {
        return new self($this->x * $factor, $this->y * $factor);
    }

    public function towards(self $other, float $share): self
    {
        return new self($this->x + ($other->x - $this->x) * $share, $this->y + ($other->y - $this->y) * $share);
    }

    public function distance(self $other): float
    {
        return hypot($this->x - $other->x, $this->y - $other->y);
    }

    public function length(): float
    {
        return hypot($this->x, $this->y);
    }

    /** The z part of the cross product: above 0 when the other lies clockwise of this one on the screen. */
    public function cross(self $other): float
    {
        return $this->x * $other->y - $this->y * $other->x;
    }

    public function dot(self $other): float
    {
        return $this->x * $other->x + $this->y * $other->y;
    }
}
