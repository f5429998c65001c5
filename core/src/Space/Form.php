<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * A knot in space from loose to tight: the same ropes by the same numbers of points, once for each key frame.
 */
final readonly class Form
{
    /**
     * @param  non-empty-list<list<SpaceStrand>>  $frames  loose first, tight last
     * @param  list<Solid>  $solids  what the knot is tied to
     * @param  list<Solid>  $pegs  what holds its loops open, and is no part of it
     * @param  int  $sides  from how many sides every frame was proven to be the knot
     */
    public function __construct(public array $frames, public array $solids, public array $pegs, public int $sides)
    {
    }

    /** @return list<SpaceStrand> */
    public function tight(): array
    {
        return $this->frames[count($this->frames) - 1];
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
