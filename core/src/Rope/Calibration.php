<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Data\Figure;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

/**
 * A knot's rope factor as a group has measured it: marked, tied, untied, measured. Each measure gives a' = (measured - turns - loop) / d;
 * the estimate in use is (3 a + sum a') / (3 + n), so that the starting value a counts like three measures.
 */
final readonly class Calibration
{
    /** The starting value counts like so many measures. */
    private const START = 3;

    /** Measures that come to less or more than this share of the starting value are taken for slips of the hand. */
    private const LEAST = 0.3;

    private const MOST = 3.0;

    /**
     * @param  float  $factor  the estimate in use, in diameters
     * @param  ?float  $spread  standard deviation of the measures, in diameters; null of fewer than two
     * @param  list<float>  $measures  each in diameters
     */
    private function __construct(public float $start, public float $factor, public ?float $spread, public array $measures)
    {
    }

    /** @param  list<float>  $measures  as factor() gives them, one or more */
    public static function of(KnotPack $knot, array $measures): self
    {
        $many = count($measures);
        $sum = array_sum($measures);
        $mean = $many === 0 ? 0.0 : $sum / $many;
        $spread = $many < 2 ? null : sqrt(array_sum(array_map(static fn (float $one): float => ($one - $mean) ** 2, $measures)) / ($many - 1));

        return new self($knot->ropeFactor, (self::START * $knot->ropeFactor + $sum) / (self::START + $many), $spread, $measures);
    }

    /**
     * What a measure says of the knot, in diameters.
     *
     * @param  float  $measured  rope between the marks, in mm
     * @param  list<array{object: float, turns: float}>  $turns  diameters in mm
     * @param  ?float  $loop  inner circumference of the free loop, in mm
     *
     * @throws Refusal for a lashing, and for what no such knot can take
     */
    public static function factor(KnotPack $knot, RopeInHand $rope, float $measured, array $turns = [], ?float $loop = null): float
    {
        if ($knot->lashing !== null) {
            throw Refusal::of('/knot', $knot->id, 'rope.lashing', ['knot' => $knot->names[0]]);
        }
        $d = RopeUse::across($knot, $rope);
        $factor = ($measured - RopeUse::round($turns, $d) - ($loop ?? 0.0)) / $d;
        $least = self::LEAST * $knot->ropeFactor;
        $most = self::MOST * $knot->ropeFactor;
        if ($factor < $least || $factor > $most) {
            $fixed = RopeUse::round($turns, $d) + ($loop ?? 0.0);
            throw Refusal::of('/measured_mm', $measured, 'rope.measured', ['least' => Figure::of(ceil($fixed + $least * $d)), 'most' => Figure::of(floor($fixed + $most * $d)), 'measured' => Figure::of($measured), 'knot' => $knot->names[0], 'usual' => Figure::of(round($fixed + $knot->ropeFactor * $d))]);
        }

        return $factor;
    }

    /** How sure it is. */
    public function sure(): Saying
    {
        $many = count($this->measures);

        return match (true) {
            $many === 0 => new Saying('rope.sure_not'),
            $this->spread === null => new Saying('rope.sure_once'),
            default => new Saying('rope.sure_many', ['many' => $many, 'least' => round(max(0.0, $this->mean() - $this->spread), 1), 'most' => round($this->mean() + $this->spread, 1)]),
        };
    }

    private function mean(): float
    {
        return array_sum($this->measures) / max(1, count($this->measures));
    }
}
