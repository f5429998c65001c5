<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Lashing;

use Compadre\Core\Space\Vector;

/**
 * The way of a rope that is wound about poles, gathered from the turns it is made of; where a step of the lashing ends is marked.
 */
final class Winding
{
    /** Places on a turn are so far apart, in radians. */
    private const STEP = 0.2;

    /** A tail of the hitches. */
    public const TAIL = 5.0;

    /** @var list<array{float, float, float}> */
    private array $places = [];

    /** @var array<string, int> the number of places at the end of each step */
    private array $marks = [];

    /**
     * @param  float  $lane  from one turn to the next beside it
     * @param  float  $off  from a pole's surface to the middle line of the rope on it
     */
    public function __construct(public readonly float $lane, public readonly float $off)
    {
    }

    /** @param  array{float, float, float}  $place */
    public function to(array $place): self
    {
        $this->places[] = $place;

        return $this;
    }

    public function mark(string $step): self
    {
        $this->marks[$step] = count($this->places);

        return $this;
    }

    /**
     * About a pole, from angle to angle.
     *
     * @param  float  $raised  how far above the turns that lie on the pole, at its start and at its end
     */
    public function about(Pole $pole, float $from, float $to, float $along, ?float $alongThen = null, float $raised = 0.0, ?float $raisedThen = null): self
    {
        $count = max(2, (int) ceil(abs($to - $from) / self::STEP));
        for ($k = 0; $k <= $count; $k++) {
            $share = $k / $count;
            $soft = (1 - cos(M_PI * $share)) / 2;
            $this->to($pole->at(
                $from + ($to - $from) * $share, $along + (($alongThen ?? $along) - $along) * $share,
                $this->off + ($raised + (($raisedThen ?? $raised) - $raised) * $soft) * $this->lane,
            ));
        }

        return $this;
    }

    /**
     * Round several poles at once, as tight as they let it: turns in a plane square to the picture, slowly shifted. Angles are
     * about the line that the turns are wound along: 0 to the plane's right, a quarter turn in front.
     *
     * @param  list<Pole>  $poles
     * @param  float  $right  the direction in the picture that is the plane's right, in radians from the x axis
     */
    public function round(array $poles, float $right, float $from, float $to, float $shift, ?float $shiftThen = null, float $raised = 0.0): self
    {
        $count = max(2, (int) ceil(abs($to - $from) / self::STEP));
        for ($k = 0; $k <= $count; $k++) {
            $share = $k / $count;
            $this->to($this->onBand($poles, $right, $from + ($to - $from) * $share, $shift + (($shiftThen ?? $shift) - $shift) * $share, $raised));
        }

        return $this;
    }

    /**
     * The place of a band round poles whose outward direction is an angle.
     *
     * @param  list<Pole>  $poles
     * @return array{float, float, float}
     */
    public function onBand(array $poles, float $right, float $angle, float $shift, float $raised = 0.0): array
    {
        $u = [cos($right), sin($right)];
        $v = [-$u[1], $u[0]];
        $best = null;
        $most = -INF;
        foreach ($poles as $pole) {
            $across = $pole->way[0] * $v[0] + $pole->way[1] * $v[1];
            $along = ($shift - $pole->middle[0] * $v[0] - $pole->middle[1] * $v[1]) / $across;
            $middle = $pole->middle[0] * $u[0] + $pole->middle[1] * $u[1] + $along * ($pole->way[0] * $u[0] + $pole->way[1] * $u[1]);
            $out = $this->off + $raised * $this->lane;
            $wide = $pole->radius / abs($across) + $out;
            $deep = $pole->radius + $out;
            $reach = hypot($wide * cos($angle), $deep * sin($angle));
            $support = $middle * cos($angle) + $pole->middle[2] * sin($angle) + $reach;
            if ($support > $most) {
                $most = $support;
                $best = [$middle + $wide * $wide * cos($angle) / $reach, $pole->middle[2] + $deep * $deep * sin($angle) / $reach];
            }
        }
        [$x, $z] = $best ?? [0.0, 0.0];

        return [$x * $u[0] + $shift * $v[0], $x * $u[1] + $shift * $v[1], $z];
    }

    /**
     * A clove hitch about a pole: round, across over itself in front, round again, and out under the crossing. Both ends lie
     * in front.
     *
     * @param  int  $turn  1 from left to right in front, -1 from right to left
     * @param  bool  $comesFromBehind  whether the second turn lies over the rope as it comes
     * @param  int  $first  on which side along the pole the first turn lies, 1 or -1
     */
    public function clove(Pole $pole, float $along, int $turn, int $first, float $from = -M_PI / 2, float $to = M_PI / 2, bool $comesFromBehind = false): self
    {
        $lane = $first * $this->lane;
        $at = static fn (float $angle): float => $turn * $angle;
        $quarter = M_PI / 2;

        return $this
            ->about($pole, $at($from), $at($quarter), $along + $lane * ($from + $quarter) / M_PI, $along + $lane)
            ->about($pole, $at($quarter + self::STEP), $at(3 * $quarter - self::STEP), $along + $lane)
            ->about($pole, $at(3 * $quarter), $at(3 * $quarter + 0.6), $along + $lane, $along + 0.6 * $lane, 0.0, 1.0)
            ->about($pole, $at(3 * $quarter + 0.8), $at(5 * $quarter - 0.8), $along + 0.45 * $lane, $along - 0.45 * $lane, 1.0)
            ->about($pole, $at(5 * $quarter - 0.6), $at(5 * $quarter), $along - 0.6 * $lane, $along - $lane, 1.0, $comesFromBehind ? 1.0 : 0.0)
            ->about($pole, $at(5 * $quarter + self::STEP), $at(6 * $quarter), $along - $lane, null, $comesFromBehind ? 1.0 : 0.0, $comesFromBehind ? 1.0 : 0.0)
            ->about($pole, $at(6 * $quarter + self::STEP), $at(7 * $quarter), $along - $lane, null, $comesFromBehind ? 1.0 : 0.0, 0.0)
            ->about($pole, $at(7 * $quarter + self::STEP), $at(8 * $quarter + $to), $along - 0.9 * $lane, $along - $lane * ($quarter - $to) / M_PI);
    }

    /** A sine or cosine, of a turn that is no circle but nearly square. */
    public static function squared(float $value): float
    {
        return $value < 0 ? -sqrt(-$value) : sqrt($value);
    }

    /** A tail that lies straight on from the last place, away from the poles. */
    public function tail(): self
    {
        $last = count($this->places) - 1;

        return $this->to(self::on($this->places[$last - 1], $this->places[$last], self::TAIL));
    }

    /** A tail before the first place. */
    public function tailBefore(): self
    {
        array_unshift($this->places, self::on($this->places[1], $this->places[0], self::TAIL));
        $this->marks = array_map(static fn (int $count): int => $count + 1, $this->marks);

        return $this;
    }

    /**
     * The rope as a smooth line through its places (a centripetal spline: E. Catmull and R. Rom, 1974; P. Barry and
     * R. Goldman, 1988).
     *
     * @return array{list<array{float, float, float}>, array<string, float>} points, and the share of the rope at each mark
     */
    public function line(): array
    {
        $points = [$this->places[0]];
        $gone = [0.0];
        $length = 0.0;
        $last = count($this->places) - 1;
        for ($k = 0; $k < $last; $k++) {
            $around = [$this->places[max(0, $k - 1)], $this->places[$k], $this->places[$k + 1], $this->places[min($last, $k + 2)]];
            $pieces = max(1, (int) ceil(Vector::distance($around[1], $around[2]) / 0.3));
            for ($piece = 1; $piece <= $pieces; $piece++) {
                $point = self::spline($around, $piece / $pieces);
                $length += Vector::distance($points[count($points) - 1], $point);
                $points[] = $point;
            }
            $gone[] = $length;
        }
        $shares = [];
        foreach ($this->marks as $step => $count) {
            $shares[$step] = $gone[min($last, $count - 1)] / $length;
        }

        return [$points, $shares];
    }

    /**
     * @param  array{array{float, float, float}, array{float, float, float}, array{float, float, float}, array{float, float, float}}  $around
     * @return array{float, float, float}
     */
    private static function spline(array $around, float $share): array
    {
        [$a, $b, $c, $d] = $around;
        $from = max(1e-4, sqrt(Vector::distance($a, $b)));
        $between = max(1e-4, sqrt(Vector::distance($b, $c)));
        $beyond = max(1e-4, sqrt(Vector::distance($c, $d)));
        $point = [];
        foreach ([0, 1, 2] as $axis) {
            $m = $b === $a ? $c[$axis] - $b[$axis] : (($b[$axis] - $a[$axis]) / $from - ($c[$axis] - $a[$axis]) / ($from + $between) + ($c[$axis] - $b[$axis]) / $between) * $between;
            $n = $c === $d ? $c[$axis] - $b[$axis] : (($c[$axis] - $b[$axis]) / $between - ($d[$axis] - $b[$axis]) / ($between + $beyond) + ($d[$axis] - $c[$axis]) / $beyond) * $between;
            $t = $share;
            $point[] = (2 * $t ** 3 - 3 * $t ** 2 + 1) * $b[$axis] + ($t ** 3 - 2 * $t ** 2 + $t) * $m + (3 * $t ** 2 - 2 * $t ** 3) * $c[$axis] + ($t ** 3 - $t ** 2) * $n;
        }

        return [$point[0], $point[1], $point[2]];
    }

    /**
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $by
     * @return array{float, float, float}
     */
    private static function on(array $from, array $by, float $length): array
    {
        $step = max(1e-9, Vector::distance($from, $by));

        return [$by[0] + ($by[0] - $from[0]) / $step * $length, $by[1] + ($by[1] - $from[1]) / $step * $length, $by[2] + ($by[2] - $from[2]) / $step * $length];
    }
}
