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
            $count = $strand->segments();
            $mean = $strand->length() / max(1, $count);
            for ($k = 0; $k < $count && $mean > 0; $k++) {
                $a = $strand->points[$k];
                $b = $strand->points[($k + 1) % count($strand->points)];
                $most = max($most, abs(sqrt(($b[0] - $a[0]) ** 2 + ($b[1] - $a[1]) ** 2 + ($b[2] - $a[2]) ** 2) / $mean - 1));
            }
        }

        return $most;
    }
}
