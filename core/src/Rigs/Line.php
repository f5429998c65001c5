<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * The pull in a line between two anchors of one height, from the equilibrium of the loaded line. Lengths in mm, forces in
 * newtons. A flat line pulls many times its load: the pull grows as the sag shrinks.
 */
final readonly class Line
{
    private const FLAT = 0.05;

    private function __construct(public float $tension, public float $horizontal, public float $span, public float $sag, private Saying $load)
    {
    }

    /** A load hung at the middle. */
    public static function loadedAtTheMiddle(float $span, float $sag, float $load): self
    {
        self::check($span, $sag, $load, '/mid_load_n');

        return new self($load * sqrt(($span / 2) ** 2 + $sag ** 2) / (2 * $sag), $load * $span / (4 * $sag), $span, $sag, new Saying('rigs.load_middle', ['load' => round($load, 1)]));
    }

    /** A load spread evenly along the span (the parabola), in newtons for each metre of it. */
    public static function loadedEvenly(float $span, float $sag, float $loadPerMetre): self
    {
        self::check($span, $sag, $loadPerMetre, '/even_load_n_per_m');
        $perMillimetre = $loadPerMetre / 1000;
        $horizontal = $perMillimetre * $span ** 2 / (8 * $sag);

        return new self(sqrt($horizontal ** 2 + ($perMillimetre * $span / 2) ** 2), $horizontal, $span, $sag, new Saying('rigs.load_even', ['load' => round($loadPerMetre, 1)]));
    }

    /** @return list<Saying> */
    public function advice(): array
    {
        $advice = [new Saying('rigs.trip_wire')];
        if ($this->sag / $this->span < self::FLAT) {
            array_unshift($advice, new Saying('rigs.very_flat', ['flat' => (int) (100 * self::FLAT), 'sag' => round($this->sag)]));
        }

        return $advice;
    }

    public function reason(): Saying
    {
        return new Saying('rigs.line', ['load' => $this->load, 'span' => round($this->span / 1000, 2), 'sag' => round($this->sag, 1), 'pull' => round($this->tension, 1)]);
    }

    private static function check(float $span, float $sag, float $load, string $field): void
    {
        foreach (['/span_mm' => $span, '/sag_mm' => $sag, $field => $load] as $name => $value) {
            if ($value <= 0) {
                throw Refusal::of($name, $value, 'any.more_than', ['least' => 0]);
            }
        }
        if ($sag > $span) {
            throw Refusal::of('/sag_mm', $sag, 'rigs.sag', ['span' => $span]);
        }
    }
}
