<?php

declare(strict_types=1);

namespace Compadre\Core\Knots;

use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Topology\GaussStrand;

/**
 * Strands laid out on the plane with every crossing settled.
 */
final readonly class Diagram
{
    /**
     * @param  list<Strand>  $strands
     * @param  list<Crossing>  $crossings
     */
    public function __construct(public array $strands, public array $crossings)
    {
    }

    /**
     * A strand's crossings in order of travel.
     *
     * @return list<Visit>
     */
    public function visits(int $strand): array
    {
        $visits = [];
        foreach ($this->crossings as $number => $crossing) {
            if ($crossing->over === $strand) {
                $visits[] = new Visit($number, $crossing->overAt, true, $crossing->under);
            }
            if ($crossing->under === $strand) {
                $visits[] = new Visit($number, $crossing->underAt, false, $crossing->over);
            }
        }
        usort($visits, static fn (Visit $a, Visit $b): int => $a->at <=> $b->at);

        return $visits;
    }

    /** What it is without its measures; where the tail is the end a strand is loaded at, that end is named so. */
    public function code(): GaussCode
    {
        $strands = [];
        foreach ($this->strands as $number => $strand) {
            $visits = array_map(static fn (Visit $visit): array => [$visit->crossing, $visit->over], $this->visits($number));
            $sort = $strand->kind->value.' '.round($strand->width, 2);
            $isClosed = $strand->kind->isClosed();
            $strands[] = $strand->kind->isRope() ? GaussStrand::rope($sort, $isClosed, $visits) : GaussStrand::object($sort, $isClosed, $visits);
        }
        $loadedAtTail = array_filter($this->strands, static fn (Strand $strand): bool => $strand->runsOn === RunsOn::End);
        $turns = array_map(static fn (Crossing $crossing): int => $crossing->turn, $this->crossings);

        return (new GaussCode($strands, $turns))->exchanged(array_keys($loadedAtTail));
    }

    /**
     * Over and under change places at some crossings.
     *
     * @param  list<int>  $numbers
     */
    public function flipped(array $numbers): self
    {
        $crossings = $this->crossings;
        foreach ($numbers as $number) {
            $crossings[$number] = $crossings[$number]->flipped();
        }

        return new self($this->strands, array_values($crossings));
    }

    /** @return array{float, float, float, float} x, y, width and height of all ropes, in rope widths */
    public function box(): array
    {
        $xs = [];
        $ys = [];
        foreach ($this->strands as $strand) {
            foreach ($strand->curve->points as $point) {
                $xs[] = $point->x - $strand->width / 2;
                $xs[] = $point->x + $strand->width / 2;
                $ys[] = $point->y - $strand->width / 2;
                $ys[] = $point->y + $strand->width / 2;
            }
        }

        return $xs === [] || $ys === [] ? [0.0, 0.0, 1.0, 1.0] : [min($xs), min($ys), max($xs) - min($xs), max($ys) - min($ys)];
    }
}
