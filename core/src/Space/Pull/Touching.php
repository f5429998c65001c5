<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Space\Nearness;
use Compadre\Core\Space\NearPairs;

/**
 * Where ropes touch each other in a round of being pulled, how hard they are pressed there, and how friction holds them.
 */
final class Touching
{
    /** Places further apart do not touch in a round. */
    private const WITHIN = 1.07;

    /** Pairs are listed anew when a point has moved so far. */
    private const MOVED = 0.1;

    /** And they are listed within this and the spacing. */
    private const LISTED = 1.2;

    /** @var list<int> first points of segments that may touch */
    private array $pairsA = [];

    /** @var list<int> */
    private array $pairsB = [];

    /** @var array{array<int, float>, array<int, float>, array<int, float>}|null where the points were when the pairs were listed */
    private ?array $listed = null;

    /** @var list<array{int, int, float, float}> first points of segments that touch, and the shares along them */
    private array $found = [];

    /** @var array<int, float> how hard each is pressed */
    private array $pressed = [];

    /** @param  list<array{int, int, bool, string}>  $ropes  first and last point, whether closed, name */
    public function __construct(private readonly array $ropes, private readonly float $spacing, private readonly float $friction)
    {
    }

    /**
     * Finds where segments touch; nothing is pressed yet.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $was  the points when the round began
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $now
     */
    public function find(array $was, array $now): void
    {
        $this->listPairs($was);
        $this->found = [];
        [$x, $y, $z] = $now;
        foreach ($this->pairsA as $k => $i) {
            $j = $this->pairsB[$k];
            $m = $i + 1;
            $n = $j + 1;
            [$apart, $s, $t] = Nearness::between([$x[$i], $y[$i], $z[$i]], [$x[$m], $y[$m], $z[$m]], [$x[$j], $y[$j], $z[$j]], [$x[$n], $y[$n], $z[$n]]);
            if ($apart < self::WITHIN) {
                $this->found[] = [$i, $j, $s, $t];
            }
        }
        $this->pressed = array_fill(0, count($this->found), 0.0);
    }

    /**
     * Segments that lie in each other are moved apart, and held back where they slid since the round began.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $was  the points when the round began
     * @param  array<int, float>  $gives  0 for points that are held
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     */
    public function part(array $was, array $gives, array &$x, array &$y, array &$z): void
    {
        [$wasX, $wasY, $wasZ] = $was;
        foreach ($this->found as $k => [$i, $j, $s, $t]) {
            $m = $i + 1;
            $n = $j + 1;
            $p = 1 - $s;
            $q = 1 - $t;
            $dx = $p * $x[$i] + $s * $x[$m] - $q * $x[$j] - $t * $x[$n];
            $dy = $p * $y[$i] + $s * $y[$m] - $q * $y[$j] - $t * $y[$n];
            $dz = $p * $z[$i] + $s * $z[$m] - $q * $z[$j] - $t * $z[$n];
            $apart = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
            $a = $gives[$i] * $p;
            $b = $gives[$m] * $s;
            $c = $gives[$j] * $q;
            $d = $gives[$n] * $t;
            $all = $a * $p + $b * $s + $c * $q + $d * $t;
            if ($apart < 1e-9 || $all < 1e-9) {
                continue;
            }
            $press = max(0.0, $this->pressed[$k] + 1 - $apart);
            $push = ($press - $this->pressed[$k]) / $all / $apart;
            $this->pressed[$k] = $press;
            $fx = $push * $dx;
            $fy = $push * $dy;
            $fz = $push * $dz;
            if ($press > 0) {
                $rx = $dx - ($p * $wasX[$i] + $s * $wasX[$m] - $q * $wasX[$j] - $t * $wasX[$n]);
                $ry = $dy - ($p * $wasY[$i] + $s * $wasY[$m] - $q * $wasY[$j] - $t * $wasY[$n]);
                $rz = $dz - ($p * $wasZ[$i] + $s * $wasZ[$m] - $q * $wasZ[$j] - $t * $wasZ[$n]);
                $along = ($rx * $dx + $ry * $dy + $rz * $dz) / ($apart * $apart);
                $rx -= $along * $dx;
                $ry -= $along * $dy;
                $rz -= $along * $dz;
                $slid = sqrt($rx * $rx + $ry * $ry + $rz * $rz);
                if ($slid > 1e-9) {
                    $back = min(1.0, $this->friction * $press / $slid) / $all;
                    $fx -= $back * $rx;
                    $fy -= $back * $ry;
                    $fz -= $back * $rz;
                }
            }
            $x[$i] += $a * $fx;
            $y[$i] += $a * $fy;
            $z[$i] += $a * $fz;
            $x[$m] += $b * $fx;
            $y[$m] += $b * $fy;
            $z[$m] += $b * $fz;
            $x[$j] -= $c * $fx;
            $y[$j] -= $c * $fy;
            $z[$j] -= $c * $fz;
            $x[$n] -= $d * $fx;
            $y[$n] -= $d * $fy;
            $z[$n] -= $d * $fz;
        }
    }

    /**
     * The smallest distance of segments that touched; 1 where none did.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $now
     */
    public function least(array $now): float
    {
        $least = 1.0;
        [$x, $y, $z] = $now;
        foreach ($this->found as [$i, $j]) {
            $m = $i + 1;
            $n = $j + 1;
            $least = min($least, Nearness::between([$x[$i], $y[$i], $z[$i]], [$x[$m], $y[$m], $z[$m]], [$x[$j], $y[$j], $z[$j]], [$x[$n], $y[$n], $z[$n]])[0]);
        }

        return $least;
    }

    /**
     * Whether something presses on a rope.
     *
     * @param  array{int, int, bool, string}  $rope
     */
    public function isHeld(array $rope): bool
    {
        [$first, $last] = $rope;
        foreach ($this->found as $k => [$i, $j]) {
            if ($this->pressed[$k] > 0 && (($i >= $first && $i < $last) || ($j >= $first && $j < $last))) {
                return true;
            }
        }

        return false;
    }

    /**
     * Pairs of segments that may touch before a point has moved far.
     *
     * @param  array{array<int, float>, array<int, float>, array<int, float>}  $now
     */
    private function listPairs(array $now): void
    {
        [$x, $y, $z] = $now;
        if ($this->listed !== null) {
            [$wasX, $wasY, $wasZ] = $this->listed;
            $far = self::MOVED ** 2;
            $isGood = true;
            foreach ($x as $i => $px) {
                $isGood = $isGood && ($px - $wasX[$i]) ** 2 + ($y[$i] - $wasY[$i]) ** 2 + ($z[$i] - $wasZ[$i]) ** 2 < $far;
            }
            if ($isGood) {
                return;
            }
        }
        $this->listed = $now;
        $this->pairsA = $this->pairsB = [];
        $ends = array_column(array_map(static fn (array $rope): array => [$rope[1], true], $this->ropes), 1, 0);
        [$a, $b] = NearPairs::of($x, $y, $z, $this->ropes, $this->spacing, self::LISTED + $this->spacing);
        foreach ($a as $k => $i) {
            if (! isset($ends[$i]) && ! isset($ends[$b[$k]])) {
                $this->pairsA[] = $i;
                $this->pairsB[] = $b[$k];
            }
        }
    }
}
