<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Space\Solid;

/**
 * Where ropes lie on what they are tied to in a round of being pulled, how hard they are pressed on it, and how friction holds them.
 */
final class Resting
{
    /** Points whose rope is further from a solid do not come to lie on it in a round. */
    private const WITHIN = 0.64;

    /** @var list<array{Solid, int}> with the points that lie on it */
    private array $found = [];

    /** @var array<int, float> */
    private array $pressed = [];

    /** @param  list<Solid>  $solids */
    public function __construct(private readonly array $solids, private readonly float $friction)
    {
    }

    /** @param  array{array<int, float>, array<int, float>, array<int, float>}  $now */
    public function find(array $now): void
    {
        $this->found = [];
        [$x, $y, $z] = $now;
        foreach ($this->solids as $solid) {
            foreach ($x as $i => $px) {
                if ($solid->distance([$px, $y[$i], $z[$i]]) < self::WITHIN) {
                    $this->found[] = [$solid, $i];
                }
            }
        }
        $this->pressed = array_fill(0, count($this->found), 0.0);
    }

    /**
     * What lies in it is moved out, and held back where it slid since the round began.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $was  the points when the round began
     * @param  array<int, float>  $gives  0 for points that are held
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     */
    public function keepOut(array $was, array $gives, array &$x, array &$y, array &$z): void
    {
        foreach ($this->found as $k => [$solid, $i]) {
            $place = [$x[$i], $y[$i], $z[$i]];
            $press = 0.5 - $solid->distance($place);
            if ($press <= 0 || $gives[$i] === 0.0) {
                continue;
            }
            $this->pressed[$k] += $press;
            $out = $solid->outward($place);
            $r = [];
            $along = 0.0;
            foreach ([0, 1, 2] as $axis) {
                $r[$axis] = $place[$axis] + $press * $out[$axis] - $was[$axis][$i];
                $along += $r[$axis] * $out[$axis];
            }
            $slid = 0.0;
            foreach ([0, 1, 2] as $axis) {
                $r[$axis] -= $along * $out[$axis];
                $slid += $r[$axis] ** 2;
            }
            $back = $slid > 1e-18 ? min(1.0, $this->friction * $this->pressed[$k] / sqrt($slid)) : 0.0;
            $x[$i] += $press * $out[0] - $back * $r[0];
            $y[$i] += $press * $out[1] - $back * $r[1];
            $z[$i] += $press * $out[2] - $back * $r[2];
        }
    }

    /**
     * Whether a rope presses on something.
     *
     * @param  array{int, int, bool, string}  $rope
     */
    public function isHeld(array $rope): bool
    {
        foreach ($this->found as $k => [, $i]) {
            if ($this->pressed[$k] > 0 && $i >= $rope[0] && $i <= $rope[1]) {
                return true;
            }
        }

        return false;
    }
}
