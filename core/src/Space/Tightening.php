<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Draws ropes up. Every point goes a little toward the middle of its neighbours, which makes a rope shorter the fastest way;
 * then whatever came nearer than one diameter is moved apart again, until nothing gets shorter (shrink on no overlaps:
 * P. Pieranski, "In search of ideal knots", 1998; that nothing passes through anything is checked as in the constrained descents
 * of T. Ashton, J. Cantarella, M. Piatek and E. Rawdon, 2011). Lengths in diameters. The same ropes give the same form.
 */
final class Tightening
{
    /** Of the way to the middle of its neighbours, a point goes this share in a round. */
    private const PULL = 0.5;

    /** Moving apart is gone through so many times in a round. */
    private const SWEEPS = 4;

    /** Points are spread anew along the ropes after so many rounds. */
    private const RESPREAD = 20;

    /** No point moves further in a round. */
    private const FARTHEST = 0.15;

    /** A round that brings places nearer than this is taken back and gone through with half the pull. */
    private const TOO_NEAR = 0.9;

    /** It is tight when so many rounds made it shorter by less than a share. */
    private const LOOK = 200;

    public const NO_SHORTER = 0.0001;

    /** A closed rope is no shorter than a circle of its own thickness; one pull takes up to a quarter of that. */
    private const SHORTEST = 1.3 * M_PI;

    /** Pairs of points within this are looked at until a point has moved by half of what is more than 1. */
    private const LISTED = 1.5;

    /** An end goes no further in a round to where it is to lie. */
    private const FOLLOWS = 0.05;

    /** @var array<int, float> */
    private array $x = [];

    /** @var array<int, float> */
    private array $y = [];

    /** @var array<int, float> */
    private array $z = [];

    /** @var list<int> the point after each, -1 at an end */
    private array $next = [];

    /** @var list<array{int, int, bool, string}> first and last point, whether closed, name */
    private array $ropes = [];

    /** @var list<int> */
    private array $pairsA = [];

    /** @var list<int> */
    private array $pairsB = [];

    /** @var array{array<int, float>, array<int, float>, array<int, float>}|null where the points were when the pairs were listed */
    private ?array $listed;

    /**
     * @param  list<SpaceStrand>  $strands
     * @param  float  $spacing  between points
     * @param  list<Solid>  $solids
     * @param  list<array{FreeEnd, FreeEnd}>  $ends  of each open strand, its first and its last
     * @param  list<Touch>  $touches  what happens where ropes touch
     */
    public function __construct(array $strands, private float $spacing, private readonly array $solids = [], private readonly array $ends = [], private readonly array $touches = [])
    {
        $this->take($strands);
    }

    /**
     * @param  float  $spacing  between points, from now on
     * @param  float  $factor  so many times as large, all of it
     */
    public function refine(float $spacing, float $factor = 1.0): void
    {
        $this->spacing = $spacing;
        $this->take(array_map(static fn (SpaceStrand $strand): SpaceStrand => $strand->scaled($factor), $this->strands()));
    }

    /**
     * Shortens until it is tight.
     *
     * @param  int  $most  rounds
     * @param  ?callable(): bool  $seen  called when the points have been spread anew; whether to stop there
     * @param  float  $share  it is tight when 200 rounds made it shorter by less
     * @return int rounds it took
     */
    public function tighten(int $most, ?callable $seen = null, float $share = self::NO_SHORTER): int
    {
        $pull = self::PULL;
        $length = $this->length();
        for ($round = 1; $round <= $most; $round++) {
            $before = [$this->x, $this->y, $this->z];
            $this->round($pull, self::SWEEPS);
            if ($this->leastOfPairs() < self::TOO_NEAR) {
                [$this->x, $this->y, $this->z] = $before;
                $this->round(0.0, self::SWEEPS);
                $pull = max(self::PULL / 64, $pull / 2);
            }
            $this->bringEnds();
            if ($round % self::RESPREAD === 0) {
                $this->take($this->strands());
                $pull = min(self::PULL, $pull * 2);
                if ($seen !== null && $seen()) {
                    return $round;
                }
            }
            if ($round % self::LOOK === 0) {
                $now = $this->length();
                if ($now > $length * (1 - $share)) {
                    return $round;
                }
                $length = $now;
            }
        }

        return $most;
    }

    /**
     * Lets what lies too near move apart, and pulls at nothing.
     *
     * @param  int  $most  rounds
     */
    public function settle(int $most): void
    {
        for ($round = 1; $round <= $most; $round++) {
            $this->round(0.0, self::SWEEPS * 2);
            if ($round % (self::RESPREAD / 2) === 0) {
                $this->take($this->strands());
            }
        }
    }

    public function length(): float
    {
        return SpaceStrand::lengthOf($this->strands());
    }

    /** @return list<SpaceStrand> */
    public function strands(): array
    {
        $strands = [];
        foreach ($this->ropes as [$first, $last, $closed, $id]) {
            $points = [];
            for ($i = $first; $i <= $last; $i++) {
                $points[] = [$this->x[$i], $this->y[$i], $this->z[$i]];
            }
            $strands[] = new SpaceStrand($id, $closed, $points);
        }

        return $strands;
    }

    /** @param  list<SpaceStrand>  $strands */
    private function take(array $strands): void
    {
        $this->x = $this->y = $this->z = $this->next = $this->ropes = [];
        foreach ($strands as $strand) {
            $pieces = max($strand->closed ? 8 : 2, (int) round($strand->length() / $this->spacing));
            $even = $strand->resampled($strand->closed ? $pieces : $pieces + 1);
            $first = count($this->x);
            $last = $first + count($even->points) - 1;
            foreach ($even->points as $k => [$px, $py, $pz]) {
                $this->x[] = $px;
                $this->y[] = $py;
                $this->z[] = $pz;
                $this->next[] = $first + $k < $last ? $first + $k + 1 : ($strand->closed ? $first : -1);
            }
            $this->ropes[] = [$first, $last, $strand->closed, $strand->id];
        }
        $this->listed = null;
    }

    /** Ends lie straight on from where they leave the knot. */
    private function bringEnds(): void
    {
        foreach ($this->ends as $number => $both) {
            [$first, $last] = $this->ropes[$number];
            foreach ([[$first, $both[0], 0], [$last, $both[1], 1]] as [$tip, $end, $which]) {
                $leaves = Leaving::point($this->x, $this->y, $this->z, $this->next, $first, $last, $which === 0, [$this->pairsA, $this->pairsB], $this->solids);
                $dx = $this->x[$leaves] + $end->x * $end->length - $this->x[$tip];
                $dy = $this->y[$leaves] + $end->y * $end->length - $this->y[$tip];
                $dz = $this->z[$leaves] + $end->z * $end->length - $this->z[$tip];
                $far = sqrt($dx * $dx + $dy * $dy + $dz * $dz);
                $share = $far > self::FOLLOWS ? self::FOLLOWS / $far : 1.0;
                $this->x[$tip] += $dx * $share;
                $this->y[$tip] += $dy * $share;
                $this->z[$tip] += $dz * $share;
            }
        }
    }

    /** Pairs of points of different places that may come too near. */
    private function listPairs(): void
    {
        if ($this->listed !== null) {
            $far = ((self::LISTED - 1) / 2) ** 2;
            $isGood = true;
            foreach ($this->x as $i => $px) {
                $dx = $px - $this->listed[0][$i];
                $dy = $this->y[$i] - $this->listed[1][$i];
                $dz = $this->z[$i] - $this->listed[2][$i];
                if ($dx * $dx + $dy * $dy + $dz * $dz > $far) {
                    $isGood = false;
                    break;
                }
            }
            if ($isGood) {
                return;
            }
        }
        $this->listed = [$this->x, $this->y, $this->z];
        [$this->pairsA, $this->pairsB] = NearPairs::of($this->x, $this->y, $this->z, $this->ropes, $this->spacing, self::LISTED);
    }

    /** The smallest distance of two points of different places; about 1.5 where there are none so near. */
    public function leastOfPairs(): float
    {
        $this->listPairs();

        return NearPairs::least($this->x, $this->y, $this->z, $this->pairsA, $this->pairsB);
    }

    private function round(float $pull, int $sweeps): void
    {
        $this->listPairs();
        $x = $this->x;
        $y = $this->y;
        $z = $this->z;
        $wasX = $x;
        $wasY = $y;
        $wasZ = $z;
        $next = $this->next;
        $pairsA = $this->pairsA;
        $pairsB = $this->pairsB;
        $points = count($x);
        $pairs = count($pairsA);
        // Between points that lie staggered, the segments come nearer than the points do.
        $room = 1 + $this->spacing ** 2 / 4;
        $wide = sqrt($room);
        foreach ($this->ropes as [$first, $last, $closed]) {
            if ($closed && $this->around($first, $last) < self::SHORTEST) {
                continue;
            }
            for ($i = $closed ? $first : $first + 1, $end = $closed ? $last : $last - 1; $i <= $end; $i++) {
                $a = $i === $first ? $last : $i - 1;
                $b = $next[$i];
                $x[$i] += $pull * (($wasX[$a] + $wasX[$b]) / 2 - $wasX[$i]);
                $y[$i] += $pull * (($wasY[$a] + $wasY[$b]) / 2 - $wasY[$i]);
                $z[$i] += $pull * (($wasZ[$a] + $wasZ[$b]) / 2 - $wasZ[$i]);
            }
        }
        foreach ($pull > 0 ? $this->touches : [] as $touch) {
            $touch->move([$wasX, $wasY, $wasZ], [$pairsA, $pairsB], $x, $y, $z);
        }
        for ($sweep = 0; $sweep < $sweeps; $sweep++) {
            $forward = $sweep % 2 === 0;
            for ($k = 0; $k < $pairs; $k++) {
                $m = $forward ? $k : $pairs - 1 - $k;
                $i = $pairsA[$m];
                $j = $pairsB[$m];
                $dx = $x[$j] - $x[$i];
                $dy = $y[$j] - $y[$i];
                $dz = $z[$j] - $z[$i];
                $square = $dx * $dx + $dy * $dy + $dz * $dz;
                if ($square >= $room || $square < 1e-12) {
                    continue;
                }
                $push = 0.5 * $wide / sqrt($square) - 0.5;
                $x[$i] -= $push * $dx;
                $y[$i] -= $push * $dy;
                $z[$i] -= $push * $dz;
                $x[$j] += $push * $dx;
                $y[$j] += $push * $dy;
                $z[$j] += $push * $dz;
            }
            foreach ($this->solids as $solid) {
                PushOut::of($solid, $x, $y, $z);
            }
        }
        for ($i = 0; $i < $points; $i++) {
            $dx = $x[$i] - $wasX[$i];
            $dy = $y[$i] - $wasY[$i];
            $dz = $z[$i] - $wasZ[$i];
            $moved = $dx * $dx + $dy * $dy + $dz * $dz;
            if ($moved > self::FARTHEST * self::FARTHEST) {
                $share = self::FARTHEST / sqrt($moved);
                $x[$i] = $wasX[$i] + $dx * $share;
                $y[$i] = $wasY[$i] + $dy * $share;
                $z[$i] = $wasZ[$i] + $dz * $share;
            }
        }
        $this->x = $x;
        $this->y = $y;
        $this->z = $z;
    }

    private function around(int $first, int $last): float
    {
        $length = 0.0;
        for ($i = $first; $i <= $last; $i++) {
            $j = $this->next[$i];
            $length += sqrt(($this->x[$j] - $this->x[$i]) ** 2 + ($this->y[$j] - $this->y[$i]) ** 2 + ($this->z[$j] - $this->z[$i]) ** 2);
        }

        return $length;
    }
}
