<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Knots\StrandKind;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\Vector;

/**
 * A pole of a lashing, in rope diameters. Places on it are given by an angle about its middle line (0 in front, a quarter turn
 * on to its right as it is looked along from below), a length along it from the lashing's middle, and how far a rope's middle
 * line is from its surface.
 */
final readonly class Pole
{
    /** @var array{float, float, float} */
    private array $right;

    /**
     * @param  array{float, float, float}  $middle  of the lashing, on the pole's middle line
     * @param  array{float, float, float}  $way  along the pole, of length 1, in the plane of the picture
     */
    public function __construct(public string $id, public StrandKind $kind, public array $middle, public array $way, public float $radius)
    {
        $this->right = Vector::cross($way, [0.0, 0.0, 1.0]);
    }

    /** @return array{float, float, float} */
    public function at(float $angle, float $along, float $out): array
    {
        $aside = ($this->radius + $out) * sin($angle);

        return [
            $this->middle[0] + $this->way[0] * $along + $this->right[0] * $aside,
            $this->middle[1] + $this->way[1] * $along + $this->right[1] * $aside,
            $this->middle[2] + $this->way[2] * $along + ($this->radius + $out) * cos($angle),
        ];
    }

    /** @param  float  $half  how far it reaches to either side of the lashing's middle */
    public function solid(float $half): Solid
    {
        $end = fn (float $along): array => [$this->middle[0] + $this->way[0] * $along, $this->middle[1] + $this->way[1] * $along, $this->middle[2] + $this->way[2] * $along];

        return new Solid($this->kind, $end(-$half), $end($half), $this->radius);
    }
}
