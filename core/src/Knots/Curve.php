<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

/**
 * A smooth path of cubic pieces with its length. Places along it are given as s, the length from its start, in rope
 * widths, or as a waypoint number with a fraction (2.5: halfway, in the spline's own measure, from waypoint 2 to 3).
 */
final class Curve
{
    private const SAMPLES = 20;

    /** @var list<Point> */
    public readonly array $points;

    /** @var list<float> the length up to each of the points */
    public readonly array $lengths;

    /** @param  list<Cubic>  $cubics */
    public function __construct(public readonly array $cubics, public readonly bool $closed)
    {
        $points = [$cubics[0]->a];
        $lengths = [0.0];
        $length = 0.0;
        foreach ($cubics as $cubic) {
            for ($k = 1; $k <= self::SAMPLES; $k++) {
                $point = $cubic->at($k / self::SAMPLES);
                $length += $point->distance($points[count($points) - 1]);
                $points[] = $point;
                $lengths[] = $length;
            }
        }
        $this->points = $points;
        $this->lengths = $lengths;
    }

    public function length(): float
    {
        return $this->lengths[count($this->lengths) - 1];
    }

    /** s of a waypoint number. Numbers outside the path are held to its ends. */
    public function lengthAt(float $waypoint): float
    {
        $place = max(0.0, min((float) count($this->cubics), $waypoint)) * self::SAMPLES;
        $index = min((int) floor($place), count($this->lengths) - 2);

        return $this->lengths[$index] + ($place - $index) * ($this->lengths[$index + 1] - $this->lengths[$index]);
    }

    public function pointAt(float $s): Point
    {
        [$index, $share] = $this->locate($s);

        return $this->points[$index]->towards($this->points[$index + 1], $share);
    }

    /** The direction of travel at s, of length 1. */
    public function directionAt(float $s): Point
    {
        [$index] = $this->locate($s);
        $step = $this->points[$index + 1]->minus($this->points[$index]);

        return $step->times(1 / max($step->length(), 1e-12));
    }

    /**
     * The cubic pieces between two lengths.
     *
     * @return list<Cubic>
     */
    public function between(float $from, float $to): array
    {
        $start = $this->place($from);
        $end = $this->place($to);
        $pieces = [];
        for ($k = (int) floor($start); $k < count($this->cubics) && $k < $end; $k++) {
            $t0 = max(0.0, $start - $k);
            $t1 = min(1.0, $end - $k);
            if ($t1 - $t0 > 1e-6) {
                $pieces[] = $this->cubics[$k]->part($t0, $t1);
            }
        }

        return $pieces;
    }

    /** Where s lies, as a cubic's number plus t. */
    private function place(float $s): float
    {
        [$index, $share] = $this->locate($s);

        return ($index + $share) / self::SAMPLES;
    }

    /** @return array{int, float} the sample before s and the share of the way to the next */
    private function locate(float $s): array
    {
        $low = 0;
        $high = count($this->lengths) - 2;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($this->lengths[$middle] <= $s) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }
        $span = $this->lengths[$low + 1] - $this->lengths[$low];

        return [$low, $span > 0 ? max(0.0, min(1.0, ($s - $this->lengths[$low]) / $span)) : 0.0];
    }
}
