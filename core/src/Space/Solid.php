<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\StrandKind;

/**
 * What ropes are tied to, in rope diameters: a round bar from one end to the other, or a ring that lies flat, with `from` and
 * `to` across from each other on its middle line. The radius is that of the bar, or of the bar the ring is bent from.
 */
final readonly class Solid
{
    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     */
    public function __construct(public StrandKind $kind, public array $from, public array $to, public float $radius)
    {
    }

    public function isRing(): bool
    {
        return $this->kind === StrandKind::Ring;
    }

    /** The length of the bar, or the width of the ring from middle to middle. */
    public function length(): float
    {
        return Vector::distance($this->from, $this->to);
    }

    /** @return array{float, float, float} the direction from one end of a bar to the other, of length 1 */
    public function way(): array
    {
        return Vector::way($this->from, $this->to);
    }

    /**
     * Its middle line, as a strand.
     *
     * @param  int  $count  points of a ring's
     */
    public function middle(int $count = 48): SpaceStrand
    {
        if (! $this->isRing()) {
            return new SpaceStrand($this->kind->value, false, [$this->from, $this->to]);
        }
        $points = [];
        [$x, $y, $z] = $this->centre();
        for ($k = 0; $k < $count; $k++) {
            $points[] = [$x + $this->length() / 2 * cos(2 * M_PI * $k / $count), $y + $this->length() / 2 * sin(2 * M_PI * $k / $count), $z];
        }

        return new SpaceStrand($this->kind->value, true, $points);
    }

    public function scaled(float $factor): self
    {
        [$from, $to] = (new SpaceStrand('', false, [$this->from, $this->to]))->scaled($factor)->points;

        return new self($this->kind, $from, $to, $this->radius * $factor);
    }

    /** @return array{kind: string, from: list<float>, to: list<float>, radius: float} to a thousandth of a diameter */
    public function toArray(): array
    {
        // A zero below zero is a zero: adding nothing makes it one.
        $round = static fn (float $value): float => round($value, 3) + 0.0;

        return ['kind' => $this->kind->value, 'from' => array_map($round, $this->from), 'to' => array_map($round, $this->to), 'radius' => $round($this->radius)];
    }

    /** @return array{float, float, float} */
    public function centre(): array
    {
        return [($this->from[0] + $this->to[0]) / 2, ($this->from[1] + $this->to[1]) / 2, ($this->from[2] + $this->to[2]) / 2];
    }

    /**
     * How far a place is from its surface, less than 0 inside.
     *
     * @param  array{float, float, float}  $place
     */
    public function distance(array $place): float
    {
        if ($this->isRing()) {
            [$x, $y, $z] = $this->centre();

            return hypot(hypot($place[0] - $x, $place[1] - $y) - $this->length() / 2, $place[2] - $z) - $this->radius;
        }
        $length = max(1e-9, $this->length());
        $u = $this->way();
        $w = [$place[0] - $this->from[0], $place[1] - $this->from[1], $place[2] - $this->from[2]];
        $along = $w[0] * $u[0] + $w[1] * $u[1] + $w[2] * $u[2];
        $beyond = max(-$along, $along - $length, 0.0);
        $aside = sqrt(max(0.0, $w[0] ** 2 + $w[1] ** 2 + $w[2] ** 2 - $along * $along)) - $this->radius;

        return $beyond > 0 ? hypot($beyond, max(0.0, $aside)) : $aside;
    }

    /**
     * The direction that leads straight away from its middle line, of length 1.
     *
     * @param  array{float, float, float}  $place
     * @return array{float, float, float}
     */
    public function outward(array $place): array
    {
        if ($this->isRing()) {
            [$x, $y, $z] = $this->centre();
            $flat = hypot($place[0] - $x, $place[1] - $y);
            $middle = $this->length() / 2 / max(1e-9, $flat);
            $side = [($place[0] - $x) * (1 - $middle), ($place[1] - $y) * (1 - $middle), $place[2] - $z];
        } else {
            $u = $this->way();
            $w = [$place[0] - $this->from[0], $place[1] - $this->from[1], $place[2] - $this->from[2]];
            $along = $w[0] * $u[0] + $w[1] * $u[1] + $w[2] * $u[2];
            $side = [$w[0] - $along * $u[0], $w[1] - $along * $u[1], $w[2] - $along * $u[2]];
        }

        return Vector::way([0.0, 0.0, 0.0], $side);
    }
}
