<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * How evenly ropes are stretched: segments of one rope should all be of one length.
 */
final class Strain
{
    /**
     * @param  list<SpaceStrand>  $strands
     * @return float the largest share by which a segment is longer or shorter than the mean of its strand
     */
    public static function of(array $strands): float
    {
        $most = 0.0;
        foreach ($strands as $strand) {
            $mean = $strand->step();
            foreach ($mean > 0 ? $strand->steps() : [] as $step) {
                $most = max($most, abs($step / $mean - 1));
            }
        }

        return $most;
    }
}
