<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * A knot in space from loose to tight: the same ropes by the same numbers of points, once for each key frame.
 */
final readonly class Form
{
    /** A rope no further from a bar lies on it. */
    private const ON_BAR = 1.5;

    /** Bars are shown so far beyond the ropes on them. */
    private const BEYOND = 2.0;

    /**
     * @param  non-empty-list<list<SpaceStrand>>  $frames  loose first, tight last
     * @param  list<Solid>  $solids  what the knot is tied to
     * @param  list<Solid>  $pegs  what holds its loops open, and is no part of it
     * @param  int  $sides  from how many sides every frame was proven to be the knot
     * @param  bool  $isBuilt  whether it was built on its poles, which are then shown as long as they are
     */
    public function __construct(public array $frames, public array $solids, public array $pegs, public int $sides, public bool $isBuilt = false)
    {
    }

    /** @return list<SpaceStrand> */
    public function tight(): array
    {
        return $this->frames[count($this->frames) - 1];
    }

    /**
     * What it is tied to, as far as it is worth showing: bars no further than the ropes on them reach at any time, and a little more.
     *
     * @return list<Solid>
     */
    public function shown(): array
    {
        return $this->isBuilt ? $this->solids : array_map(fn (Solid $solid): Solid => $solid->isRing() ? $solid : $this->cut($solid), $this->solids);
    }

    private function cut(Solid $bar): Solid
    {
        $length = $bar->length();
        $u = $bar->way();
        $low = $length;
        $high = 0.0;
        foreach ($this->frames as $ropes) {
            foreach ($ropes as $rope) {
                foreach ($rope->points as $point) {
                    if ($bar->distance($point) < self::ON_BAR) {
                        $along = ($point[0] - $bar->from[0]) * $u[0] + ($point[1] - $bar->from[1]) * $u[1] + ($point[2] - $bar->from[2]) * $u[2];
                        $low = min($low, $along);
                        $high = max($high, $along);
                    }
                }
            }
        }
        if ($low > $high) {
            return $bar;
        }
        $at = static fn (float $along): array => [$bar->from[0] + $u[0] * $along, $bar->from[1] + $u[1] * $along, $bar->from[2] + $u[2] * $along];

        return new Solid($bar->kind, $at(max(0.0, $low - self::BEYOND)), $at(min($length, $high + self::BEYOND)), $bar->radius);
    }

    /**
     * The ropes at some moment of being drawn up.
     *
     * @param  float  $tightness  0 loose, 1 tight
     * @return list<SpaceStrand>
     */
    public function at(float $tightness): array
    {
        $place = max(0.0, min(1.0, $tightness)) * (count($this->frames) - 1);
        $index = min((int) floor($place), max(0, count($this->frames) - 2));
        $share = $place - $index;
        if ($share <= 0 || $share >= 1) {
            return $this->frames[min(count($this->frames) - 1, $index + (int) $share)];
        }

        return array_map(static fn (SpaceStrand $from, SpaceStrand $to): SpaceStrand => new SpaceStrand($from->id, $from->closed, array_map(
            static fn (array $a, array $b): array => [$a[0] + ($b[0] - $a[0]) * $share, $a[1] + ($b[1] - $a[1]) * $share, $a[2] + ($b[2] - $a[2]) * $share],
            $from->points, $to->points,
        )), $this->frames[$index], $this->frames[$index + 1]);
    }
}
