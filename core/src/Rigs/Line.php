<?php

declare(strict_types=1);

namespace Compadre\Core\Rigs;

use Compadre\Core\Data\Figure;
use Compadre\Core\Refusal;

/**
 * The pull in a line between two anchors of one height, from the equilibrium of the loaded line. Lengths in mm, forces in
 * newtons. A flat line pulls many times its load: the pull grows as the sag shrinks.
 */
final readonly class Line
{
    private const FLAT = 0.05;

    private function __construct(public float $tension, public float $horizontal, public float $span, public float $sag, private string $load)
    {
    }

    /** A load hung at the middle. */
    public static function loadedAtTheMiddle(float $span, float $sag, float $load): self
    {
        self::check($span, $sag, $load, '/mid_load_n');

        return new self($load * sqrt(($span / 2) ** 2 + $sag ** 2) / (2 * $sag), $load * $span / (4 * $sag), $span, $sag, sprintf('%s N at the middle', Figure::of($load)));
    }

    /** A load spread evenly along the span (the parabola), in newtons for each metre of it. */
    public static function loadedEvenly(float $span, float $sag, float $loadPerMetre): self
    {
        self::check($span, $sag, $loadPerMetre, '/even_load_n_per_m');
        $perMillimetre = $loadPerMetre / 1000;
        $horizontal = $perMillimetre * $span ** 2 / (8 * $sag);

        return new self(sqrt($horizontal ** 2 + ($perMillimetre * $span / 2) ** 2), $horizontal, $span, $sag, sprintf('%s N on every metre', Figure::of($loadPerMetre)));
    }

    /** @return list<string> */
    public function advice(): array
    {
        $advice = ['A tight line is a trip wire at night and at neck height by day: flag it, and keep people out of its path while it is drawn tight.'];
        if ($this->sag / $this->span < self::FLAT) {
            array_unshift($advice, sprintf('Very flat: with a sag below %d %% of the span the pull explodes. Let it hang %s mm lower and it is about half.', (int) (100 * self::FLAT), Figure::of(round($this->sag))));
        }

        return $advice;
    }

    public function reason(): string
    {
        return sprintf('With %s, a span of %s m and a sag of %s mm, each anchor is pulled with %s N. A teaching model: leave what must hold people or heavy loads to qualified people.', $this->load, Figure::of($this->span / 1000, 2), Figure::of($this->sag), Figure::of($this->tension));
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
