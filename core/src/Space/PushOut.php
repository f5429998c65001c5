<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Keeps ropes, one diameter thick, out of what they are tied to.
 */
final class PushOut
{
    /**
     * Points whose rope would lie in it are moved straight out to its surface.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $z
     */
    public static function of(Solid $solid, array &$x, array &$y, array &$z): void
    {
        $clear = $solid->radius + 0.5;
        if ($solid->isRing()) {
            [$cx, $cy, $cz] = $solid->centre();
            $wide = $solid->length() / 2;
            foreach ($x as $i => $px) {
                $dx = $px - $cx;
                $dy = $y[$i] - $cy;
                $dz = $z[$i] - $cz;
                $flat = sqrt($dx * $dx + $dy * $dy);
                $off = $flat - $wide;
                $square = $off * $off + $dz * $dz;
                if ($square < $clear * $clear && $square > 1e-12 && $flat > 1e-9) {
                    $grow = $clear / sqrt($square);
                    $x[$i] = $cx + $dx / $flat * ($wide + $off * $grow);
                    $y[$i] = $cy + $dy / $flat * ($wide + $off * $grow);
                    $z[$i] = $cz + $dz * $grow;
                }
            }

            return;
        }
        $length = max(1e-9, $solid->length());
        [$fx, $fy, $fz] = $solid->from;
        [$ux, $uy, $uz] = $solid->way();
        foreach ($x as $i => $px) {
            $dx = $px - $fx;
            $dy = $y[$i] - $fy;
            $dz = $z[$i] - $fz;
            $along = $dx * $ux + $dy * $uy + $dz * $uz;
            if ($along < 0 || $along > $length) {
                continue;
            }
            $dx -= $along * $ux;
            $dy -= $along * $uy;
            $dz -= $along * $uz;
            $square = $dx * $dx + $dy * $dy + $dz * $dz;
            if ($square < $clear * $clear && $square > 1e-12) {
                $grow = $clear / sqrt($square) - 1;
                $x[$i] += $dx * $grow;
                $y[$i] += $dy * $grow;
                $z[$i] += $dz * $grow;
            }
        }
    }
}
