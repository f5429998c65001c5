<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * A rope's middle line in space: points joined by straight segments, in rope diameters; x to the right, y down and z toward
 * the one who looks. A closed one comes back from its last point to its first, which is not repeated.
 */
final readonly class SpaceStrand
{
    /** @param  list<array{float, float, float}>  $points */
    public function __construct(public string $id, public bool $closed, public array $points)
    {
    }

    /** How many segments it has. */
    public function segments(): int
    {
        return max(0, count($this->points) - ($this->closed ? 0 : 1));
    }

    public function length(): float
    {
        return array_sum($this->steps());
    }

    /**
     * The same line by points of equal distance along it; the ends of an open one stay where they are.
     *
     * @param  int  $count  points, at least 3 where it is closed, else at least 2
     */
    public function resampled(int $count): self
    {
        $steps = $this->steps();
        $pieces = $this->closed ? $count : $count - 1;
        $each = array_sum($steps) / max(1, $pieces);
        $all = count($this->points);
        $points = [$this->points[0]];
        $segment = 0;
        $gone = 0.0;
        for ($k = 1; $k < $count; $k++) {
            if (! $this->closed && $k === $count - 1) {
                $points[] = $this->points[$all - 1];
                break;
            }
            $want = $k * $each;
            while ($segment < count($steps) - 1 && $gone + $steps[$segment] < $want) {
                $gone += $steps[$segment];
                $segment++;
            }
            $share = $steps[$segment] > 0 ? ($want - $gone) / $steps[$segment] : 0.0;
            [$ax, $ay, $az] = $this->points[$segment];
            [$bx, $by, $bz] = $this->points[($segment + 1) % $all];
            $points[] = [$ax + ($bx - $ax) * $share, $ay + ($by - $ay) * $share, $az + ($bz - $az) * $share];
        }

        return new self($this->id, $this->closed, $points);
    }

    /**
     * The points of an open one at some lengths along it.
     *
     * @param  list<float>  $lengths  increasing, from 0 to its own
     */
    public function at(array $lengths): self
    {
        $steps = $this->steps();
        $segment = 0;
        $gone = 0.0;
        $points = [];
        foreach ($lengths as $want) {
            while ($segment < count($steps) - 1 && $gone + $steps[$segment] < $want) {
                $gone += $steps[$segment];
                $segment++;
            }
            $share = $steps[$segment] > 0 ? max(0.0, min(1.0, ($want - $gone) / $steps[$segment])) : 0.0;
            [$ax, $ay, $az] = $this->points[$segment];
            [$bx, $by, $bz] = $this->points[$segment + 1];
            $points[] = [$ax + ($bx - $ax) * $share, $ay + ($by - $ay) * $share, $az + ($bz - $az) * $share];
        }

        return new self($this->id, false, $points);
    }

    /** A piece of an open one, from one share of its length to another, with points as far apart as its own. */
    public function part(float $from, float $to): self
    {
        $length = $this->length();
        $count = max(1, (int) ceil(($to - $from) * $this->segments()));

        return $this->at(array_map(static fn (int $k): float => $length * ($from + ($to - $from) * $k / $count), range(0, $count)));
    }

    public function scaled(float $factor): self
    {
        return new self($this->id, $this->closed, array_map(static fn (array $point): array => [$point[0] * $factor, $point[1] * $factor, $point[2] * $factor], $this->points));
    }

    /** The mean length of its segments. */
    public function step(): float
    {
        return $this->length() / max(1, $this->segments());
    }

    /** @param  list<self>  $strands */
    public static function lengthOf(array $strands): float
    {
        return array_sum(array_map(static fn (self $strand): float => $strand->length(), $strands));
    }

    /** @return list<float> the lengths of its segments */
    public function steps(): array
    {
        $steps = [];
        $all = count($this->points);
        for ($k = 0, $most = $this->segments(); $k < $most; $k++) {
            $steps[] = Vector::distance($this->points[$k], $this->points[($k + 1) % $all]);
        }

        return $steps;
    }
}
