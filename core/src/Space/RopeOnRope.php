<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Rope that lies on rope hardly slides: what was laid where another strand crosses stays there while the rest is drawn up.
 */
final readonly class RopeOnRope implements Touch
{
    /** Middle lines of ropes that touch are no further apart. */
    private const NEAR = 1.1;

    /** Of the way that a pull would move a point, this share is left. */
    private const LEFT = 0.15;

    public function move(array $was, array $pairs, array &$x, array &$y, array &$z): void
    {
        [$wasX, $wasY, $wasZ] = $was;
        $touches = [];
        foreach ($pairs[0] as $k => $i) {
            $j = $pairs[1][$k];
            if (($wasX[$i] - $wasX[$j]) ** 2 + ($wasY[$i] - $wasY[$j]) ** 2 + ($wasZ[$i] - $wasZ[$j]) ** 2 < self::NEAR ** 2) {
                $touches[$i] = $touches[$j] = true;
            }
        }
        foreach ($touches as $i => $does) {
            $x[$i] = $wasX[$i] + ($x[$i] - $wasX[$i]) * self::LEFT;
            $y[$i] = $wasY[$i] + ($y[$i] - $wasY[$i]) * self::LEFT;
            $z[$i] = $wasZ[$i] + ($z[$i] - $wasZ[$i]) * self::LEFT;
        }
    }
}
