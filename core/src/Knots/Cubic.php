<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * One cubic Bézier piece of a curve.
 */
final readonly class Cubic
{
    public function __construct(public Point $a, public Point $b, public Point $c, public Point $d)
    {
    }

    /** The point at t, 0 to 1. */
    public function at(float $t): Point
    {
        $u = 1 - $t;

        return new Point(
            $u * $u * $u * $this->a->x + 3 * $u * $u * $t * $this->b->x + 3 * $u * $t * $t * $this->c->x + $t * $t * $t * $this->d->x,
            $u * $u * $u * $this->a->y + 3 * $u * $u * $t * $this->b->y + 3 * $u * $t * $t * $this->c->y + $t * $t * $t * $this->d->y,
        );
    }

    /** The part between two values of t, by de Casteljau's division. */
    public function part(float $from, float $to): self
    {
        $whole = $from > 0 ? $this->divided($from)[1] : $this;
        $share = $to >= 1 ? 1.0 : ($to - $from) / (1 - $from);

        return $share < 1 ? $whole->divided($share)[0] : $whole;
    }

    /** @return array{self, self} */
    private function divided(float $t): array
    {
        $ab = $this->a->towards($this->b, $t);
        $bc = $this->b->towards($this->c, $t);
        $cd = $this->c->towards($this->d, $t);
        $abc = $ab->towards($bc, $t);
        $bcd = $bc->towards($cd, $t);
        $middle = $abc->towards($bcd, $t);

        return [new self($this->a, $ab, $abc, $middle), new self($middle, $bcd, $cd, $this->d)];
    }
}
