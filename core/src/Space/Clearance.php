<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Whether ropes keep clear of each other on the way from one key frame to the next.
 */
final class Clearance
{
    /** In one look to the next, no two places come nearer to each other by more than this. */
    private const LOOK = 0.4;

    /** Pairs of points within this are looked at. */
    private const WITHIN = 1.5;

    /** What is left between places at a look, beyond what they could come nearer until the next. */
    private const LEAST = 0.1;

    /**
     * @param  list<SpaceStrand>  $from
     * @param  list<SpaceStrand>  $to  the same ropes by the same numbers of points
     */
    public static function between(array $from, array $to): bool
    {
        $farthest = 0.0;
        foreach ($from as $number => $rope) {
            foreach ($rope->points as $k => $point) {
                $farthest = max($farthest, Vector::distance($point, $to[$number]->points[$k]));
            }
        }
        $looks = 1 + (int) ceil(2 * $farthest / self::LOOK);
        $form = new Form([$from, $to], [], [], 0);
        for ($look = 0; $look <= $looks; $look++) {
            if (self::least($form->at($look / $looks)) < self::LEAST + self::LOOK / 2) {
                return false;
            }
        }

        return true;
    }

    /** @param  list<SpaceStrand>  $ropes */
    private static function least(array $ropes): float
    {
        $x = $y = $z = $lines = [];
        foreach ($ropes as $rope) {
            $lines[] = [count($x), count($x) + count($rope->points) - 1, $rope->closed, $rope->id];
            foreach ($rope->points as [$px, $py, $pz]) {
                $x[] = $px;
                $y[] = $py;
                $z[] = $pz;
            }
        }
        $step = $ropes[0]->step();
        [$a, $b] = NearPairs::of($x, $y, $z, $lines, max(0.05, $step), self::WITHIN);

        // Segments come nearer than their ends: by no more than where they cross at their middles.
        return sqrt(max(0.0, NearPairs::least($x, $y, $z, $a, $b) ** 2 - $step ** 2 / 2));
    }
}
