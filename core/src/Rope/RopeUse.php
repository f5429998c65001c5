<?php

declare(strict_types=1);

namespace Compadre\Core\Rope;

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Knots\Visit;
use Compadre\Core\Words\Saying;

/**
 * How much rope a knot takes: used = a d + pi (D + d) for each turn round an object of diameter D + the free loop, in mm; a is the
 * knot's rope factor, d the rope's diameter (of tape three times its thickness). What a knot drawn up in space takes counts instead of
 * the factor where both are of one kind; what a group has measured counts before both.
 */
final readonly class RopeUse
{
    /** Of tape, this many times its thickness stands for the diameter. */
    private const TAPE = 3.0;

    /** Rope that the small loop of a set-out loop takes, in diameters. */
    private const SET_OUT = 8.0;

    /** What was measured in space counts where it is no further from the factor than this share of it. */
    private const NEAR = 0.2;

    /** An object's diameter where none is given, in mm: a stave. */
    public const STAVE = 60.0;

    private function __construct(public float $used, public int $tail, public ?float $setOut, public bool $isFromSpace, public Saying $reason)
    {
    }

    /**
     * @param  list<array{object: float, turns: float}>  $turns diameters in mm, 0 or more turns
     * @param  ?float  $loop inner circumference of the free loop in mm
     * @param  ?float  $inSpace what the knot drawn up in space takes, in diameters
     * @param  ?Calibration  $own  what the group has measured
     */
    public static function of(KnotPack $knot, RopeInHand $rope, RequiredTail $tail, array $turns = [], ?float $loop = null, ?float $inSpace = null, ?Calibration $own = null): self
    {
        $isFromSpace = $own === null && $inSpace !== null && abs($inSpace - $knot->ropeFactor) <= self::NEAR * $knot->ropeFactor;
        $factor = $own->factor ?? ($isFromSpace ? $inSpace : $knot->ropeFactor);
        $d = self::across($knot, $rope);
        $round = self::round($turns, $d);
        $used = $factor * $d + $round + ($loop ?? 0.0);
        $parts = [new Saying('rope.use_times', ['times' => round($factor, 1), 'across' => round($d, 1)])];
        if ($round > 0) {
            $parts[] = new Saying('rope.use_turns', ['turns' => round($round)]);
        }
        if ($loop !== null) {
            $parts[] = new Saying('rope.use_loop', ['loop' => round($loop, 1)]);
        }
        // The small loop lies where loop, knot and tail end, measured from the end.
        $setOut = $loop !== null && $knot->setsOut ? $loop + self::SET_OUT * $d + $tail->millimetres : null;

        $origin = match (true) {
            $isFromSpace => new Saying('rope.use_space'),
            $inSpace !== null => new Saying('rope.use_start_space', ['times' => round($inSpace, 1)]),
            default => new Saying('rope.use_start'),
        };

        return new self($used, $tail->millimetres, $setOut, $isFromSpace, new Saying('rope.use', [
            'used' => round($used), 'parts' => $parts, 'tail' => $tail->millimetres, 'origin' => $own?->sure() ?? new Saying('rope.use_to_measure', ['origin' => $origin]),
        ]));
    }

    /** What stands for the diameter in mm: of tape three times its thickness. */
    public static function across(KnotPack $knot, RopeInHand $rope): float
    {
        return $rope->diameter * ($knot->tailClass === TailClass::Tape ? self::TAPE : 1.0);
    }

    /**
     * @param  list<array{object: float, turns: float}>  $turns diameters in mm
     * @return float rope round the objects in mm
     */
    public static function round(array $turns, float $across): float
    {
        return array_sum(array_map(static fn (array $one): float => M_PI * ($one['object'] + $across) * $one['turns'], $turns));
    }

    /**
     * The turns that a method is drawn with: half as many as the rope passes the object.
     *
     * @return list<array{object: float, turns: float}>
     */
    public static function turnsOf(Method $method, float $object = self::STAVE): array
    {
        $diagram = DiagramBuilder::loose($method);
        $passes = 0;
        foreach ($diagram->strands as $number => $strand) {
            if (! $strand->kind->isRope() && ! $strand->kind->isClosed()) {
                $passes += count(array_filter($diagram->visits($number), static fn (Visit $visit): bool => $diagram->strands[$visit->other]->kind->isRope()));
            }
        }

        return $passes === 0 ? [] : [['object' => $object, 'turns' => $passes / 2]];
    }

    public function total(): float
    {
        return $this->used + $this->tail;
    }
}
