<?php

declare(strict_types=1);

namespace Compadre\Core\Space\Pull;

use Compadre\Core\Space\FreeEnd;
use Compadre\Core\Space\Solid;
use Compadre\Core\Space\SpaceStrand;
use Compadre\Core\Space\Vector;

/**
 * Pulls at the loaded ends of ropes that lie in a knot, a little in each round, as long as no piece of rope is stretched by more
 * than a share: then it lets go a little. What comes nearer than a diameter is pushed apart, and what slides where it is pressed
 * is held back by at most the coefficient of friction times the press (Coulomb), both gone through in turn until they agree well
 * enough (position-based: M. Macklin, M. Müller, N. Chentanez and T.-Y. Kim, "Unified particle physics for real-time
 * applications", ACM Transactions on Graphics 33, 2014, section 6.1). Ropes have no weight and do not roll about their own
 * middle line, and they go as through syrup: how far one creeps in so many rounds is compared, not how long it holds. A teaching
 * model: real ropes are tested, not computed. Lengths in diameters.
 */
final class Tow
{
    /** An end goes so far in a round. */
    private const STEP = 0.02;

    /** What it is let go again, as a share of that, where a rope is stretched to the most. */
    private const LETS_GO = 0.5;

    /** The pull: it is as strong as stretches a piece of rope by this share. */
    private const STRETCH = 0.025;

    private const SWEEPS = 8;

    /** So often in each sweep a rope is brought back to its length: what it is pulled by at one end is felt along it. */
    private const PASSES = 5;

    /** A round in which places come nearer than this is taken back, and so many follow in which the rope is let go a little. */
    private const TOO_NEAR = 0.9;

    private const RESTS = 20;

    /** @var array<int, float> */
    private array $x = [];

    /** @var array<int, float> */
    private array $y = [];

    /** @var array<int, float> */
    private array $z = [];

    /** @var array<int, float> 1, and 0 for an end that is pulled at */
    private array $gives = [];

    /** @var list<array{int, int, bool, string}> first and last point, whether closed, name */
    private array $ropes = [];

    /** @var array<int, float> the length of the segment from each point to the next; none from a rope's last */
    private array $rest = [];

    /** @var list<array{int, FreeEnd}> */
    private array $pulled = [];

    /** @var array<int, array{array{float, float, float}, array{float, float, float}}> where each tip was, and the way into the knot from there */
    private array $began = [];

    /** Rounds in which it is let go yet. */
    private int $letsGo = 0;

    private readonly Touching $touching;

    private readonly Resting $resting;

    /**
     * @param  list<SpaceStrand>  $ropes  open ones
     * @param  list<array{FreeEnd, FreeEnd}>  $ends  of each, its first and its last
     * @param  list<Solid>  $solids
     * @param  float  $friction  rope on rope
     * @param  float  $spacing  between points
     */
    public function __construct(array $ropes, array $ends, array $solids, float $friction, float $spacing)
    {
        foreach ($ropes as $number => $rope) {
            $pieces = max(2, (int) round($rope->length() / $spacing));
            $first = count($this->x);
            $even = $rope->resampled($pieces + 1);
            foreach ($even->points as [$px, $py, $pz]) {
                $this->x[] = $px;
                $this->y[] = $py;
                $this->z[] = $pz;
                $this->gives[] = 1.0;
            }
            foreach ($even->steps() as $k => $step) {
                $this->rest[$first + $k] = $step;
            }
            $last = count($this->x) - 1;
            $this->ropes[] = [$first, $last, false, $rope->id];
            foreach ([[$first, $ends[$number][0], $even->points[1]], [$last, $ends[$number][1], $even->points[$pieces - 1]]] as [$tip, $end, $next]) {
                $began = [$this->x[$tip], $this->y[$tip], $this->z[$tip]];
                $this->began[$tip] = [$began, Vector::way($began, $next)];
                if ($end->isLoaded) {
                    $this->pulled[] = [$tip, $end];
                    $this->gives[$tip] = 0.0;
                }
            }
        }
        $this->touching = new Touching($this->ropes, $spacing, $friction);
        $this->resting = new Resting($solids, $friction);
    }

    /** @return list<SpaceStrand> */
    public function strands(): array
    {
        $strands = [];
        foreach ($this->ropes as [$first, $last, , $id]) {
            $points = [];
            for ($i = $first; $i <= $last; $i++) {
                $points[] = [$this->x[$i], $this->y[$i], $this->z[$i]];
            }
            $strands[] = new SpaceStrand($id, false, $points);
        }

        return $strands;
    }

    /** The share by which the most stretched segment is longer than it was. */
    public function stretch(): float
    {
        $most = 0.0;
        foreach ($this->rest as $i => $rest) {
            $dx = $this->x[$i + 1] - $this->x[$i];
            $dy = $this->y[$i + 1] - $this->y[$i];
            $dz = $this->z[$i + 1] - $this->z[$i];
            $most = max($most, sqrt($dx * $dx + $dy * $dy + $dz * $dz) / $rest - 1);
        }

        return $most;
    }

    /**
     * How far a tail has gone into the knot since nothing was pulled at, in diameters: below 0 where it came out of it.
     *
     * @param  array{int, bool}  $tail  a rope, and whether it is its start
     */
    public function crept(array $tail): float
    {
        [$rope, $isStart] = $tail;
        $tip = $this->ropes[$rope][$isStart ? 0 : 1];
        [[$bx, $by, $bz], $way] = $this->began[$tip];

        return Vector::dot([$this->x[$tip] - $bx, $this->y[$tip] - $by, $this->z[$tip] - $bz], $way);
    }

    /** Whether something presses on a rope. */
    public function isHeld(int $rope): bool
    {
        return $this->touching->isHeld($this->ropes[$rope]) || $this->resting->isHeld($this->ropes[$rope]);
    }

    public function round(): void
    {
        $was = [$this->x, $this->y, $this->z];
        $go = $this->letsGo > 0 || $this->stretch() >= self::STRETCH ? -self::STEP * self::LETS_GO : self::STEP;
        $this->letsGo = max(0, $this->letsGo - 1);
        foreach ($this->pulled as [$tip, $end]) {
            $this->x[$tip] += $go * $end->x;
            $this->y[$tip] += $go * $end->y;
            $this->z[$tip] += $go * $end->z;
        }
        $this->touching->find($was, [$this->x, $this->y, $this->z]);
        $this->resting->find([$this->x, $this->y, $this->z]);
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            $this->touching->part($was, $this->gives, $this->x, $this->y, $this->z);
            $this->resting->keepOut($was, $this->gives, $this->x, $this->y, $this->z);
            // Last, so that what is too much for the rope shows as friction that gave way and not as rope that grew.
            for ($pass = 0; $pass < self::PASSES; $pass++) {
                $this->keepLength($pass % 2 === 1);
            }
        }
        if ($this->touching->least([$this->x, $this->y, $this->z]) < self::TOO_NEAR) {
            // Nothing may go through anything: taken back, and pulled less for a while.
            [$this->x, $this->y, $this->z] = $was;
            $this->letsGo = self::RESTS;
        }
    }

    /** Every segment back to its length. */
    private function keepLength(bool $backward): void
    {
        $x = $this->x;
        $y = $this->y;
        $z = $this->z;
        $gives = $this->gives;
        foreach ($backward ? array_reverse($this->rest, true) : $this->rest as $i => $rest) {
            $j = $i + 1;
            $all = $gives[$i] + $gives[$j];
            $dx = $x[$j] - $x[$i];
            $dy = $y[$j] - $y[$i];
            $dz = $z[$j] - $z[$i];
            $length = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
            if ($all <= 0 || $length < 1e-9) {
                continue;
            }
            $more = ($length - $rest) / $length / $all;
            $a = $gives[$i] * $more;
            $b = $gives[$j] * $more;
            $x[$i] += $a * $dx;
            $y[$i] += $a * $dy;
            $z[$i] += $a * $dz;
            $x[$j] -= $b * $dx;
            $y[$j] -= $b * $dy;
            $z[$j] -= $b * $dz;
        }
        $this->x = $x;
        $this->y = $y;
        $this->z = $z;
    }
}
