<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Which states of ropes that are drawn up are kept.
 */
final class KeyFrames
{
    /**
     * Draws ropes up, and remembers the state they begin in, each in which they have got shorter by a share, and the last.
     *
     * @return array{non-empty-list<list<SpaceStrand>>, non-empty-list<float>} the states, and how long the ropes are in each
     */
    public static function drawnUp(Tightening $tightening, int $rounds, float $share): array
    {
        $states = [$tightening->strands()];
        $lengths = [$tightening->length()];
        $tightening->tighten($rounds, static function () use ($tightening, $share, &$states, &$lengths): bool {
            $length = $tightening->length();
            if (abs($length - $lengths[count($lengths) - 1]) > $share * $length) {
                $states[] = $tightening->strands();
                $lengths[] = $length;
            }

            return false;
        });

        return [[...$states, $tightening->strands()], [...$lengths, $tightening->length()]];
    }

    /**
     * States that are about equally far apart in length, the first and the last among them.
     *
     * @param  list<float>  $lengths  at least one
     * @param  int  $most  how many
     * @return non-empty-list<int>
     */
    public static function chosen(array $lengths, int $most): array
    {
        $last = count($lengths) - 1;
        $chosen = [0];
        for ($k = 1; $k < $most - 1; $k++) {
            $want = $lengths[0] + ($lengths[$last] - $lengths[0]) * $k / ($most - 1);
            $best = 0;
            foreach ($lengths as $index => $length) {
                $best = abs($length - $want) < abs($lengths[$best] - $want) ? $index : $best;
            }
            if ($best > $chosen[count($chosen) - 1] && $best < $last) {
                $chosen[] = $best;
            }
        }
        if ($last > 0) {
            $chosen[] = $last;
        }

        return $chosen;
    }
}
