<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Turns that lie on a bar hardly slide along it: rope grips wood. They may still be drawn closer round it.
 */
final readonly class Gripping implements Touch
{
    /** From the surface to the middle of a rope that lies on it. */
    private const LIES_ON = 0.7;

    /** Of a move along the bar, this share is left. */
    private const LEFT = 0.1;

    /** A turn that only touches is not held: so many points to either side have to lie on the bar too. */
    private const BESIDE = 5;

    public function __construct(private Solid $bar)
    {
    }

    public function move(array $was, array $pairs, array &$x, array &$y, array &$z): void
    {
        $bar = $this->bar;
        $u = $bar->way();
        $near = ($bar->radius + self::LIES_ON) ** 2;
        [$fx, $fy, $fz] = $bar->from;
        $lies = [];
        foreach ($x as $i => $px) {
            $dx = $px - $fx;
            $dy = $y[$i] - $fy;
            $dz = $z[$i] - $fz;
            $along = $dx * $u[0] + $dy * $u[1] + $dz * $u[2];
            $lies[] = $dx * $dx + $dy * $dy + $dz * $dz - $along * $along < $near;
        }
        $last = count($lies) - 1;
        foreach ($lies as $i => $does) {
            if (! $does || ! $lies[max(0, $i - self::BESIDE)] || ! $lies[min($last, $i + self::BESIDE)]) {
                continue;
            }
            $back = (1 - self::LEFT) * (($x[$i] - $was[0][$i]) * $u[0] + ($y[$i] - $was[1][$i]) * $u[1] + ($z[$i] - $was[2][$i]) * $u[2]);
            $x[$i] -= $back * $u[0];
            $y[$i] -= $back * $u[1];
            $z[$i] -= $back * $u[2];
        }
    }
}
