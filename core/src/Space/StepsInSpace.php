<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Refusal;

/**
 * How far ropes in space have come in the steps of a method. A step says it by the length of the flat loose drawing; in space a rope
 * has come to the same share of itself, but in a lashing, to the turn that the step names.
 */
final readonly class StepsInSpace
{
    private Diagram $diagram;

    public function __construct(private KnotPack $knot, private Method $method, private KeptForm $kept)
    {
        $this->diagram = DiagramBuilder::loose($method, $knot->file);
    }

    /** @return array<string, float> of each rope, its length in the flat loose drawing */
    public function lengths(): array
    {
        $lengths = [];
        foreach ($this->diagram->strands as $strand) {
            $lengths[$strand->id] = $strand->curve->length();
        }

        return $lengths;
    }

    /** @return array<string, list<array{float, float}>> of a lashing's rope, lengths of the drawing and the shares laid there, from nothing to all */
    public function comes(): array
    {
        $lengths = $this->lengths();
        $comes = [];
        foreach ($this->kept->laid === [] ? [] : $this->states() as $state) {
            foreach ($state->plan->laid === null ? [] : array_keys($state->plan->reach) as $rope) {
                $comes[$rope] ??= [[0.0, 0.0]];
                $comes[$rope][] = [min($state->reach[$rope], $lengths[$rope]), $this->kept->laid[$state->plan->laid]];
            }
        }

        return $comes;
    }

    /**
     * What lies there when a step is done: loose, as far as each rope has come, or drawn up where the step shows it so. A rope that
     * is tied doubled comes in two pieces, from its start and from its far side.
     *
     * @param  int  $step  from 1
     * @return list<SpaceStrand>
     */
    public function at(int $step): array
    {
        $states = $this->states();
        $state = $states[$step - 1] ?? throw Refusal::of('/step', $step, 'any.from_to', ['least' => 1, 'most' => count($states)]);
        if ($state->plan->tight || $state->plan->half) {
            return $this->kept->form->at($state->plan->tight ? 1.0 : 0.5);
        }
        $lengths = $this->lengths();
        $far = $state->farNow();
        $laid = $state->plan->laid === null ? null : ($this->kept->laid[$state->plan->laid] ?? null);
        $ropes = [];
        foreach ($this->kept->form->frames[0] as $rope) {
            $share = $laid ?? min(1.0, $state->reach[$rope->id] / $lengths[$rope->id]);
            $back = isset($far[$rope->id]) ? $far[$rope->id] / $lengths[$rope->id] : 1.0;
            if ($back <= $share) {
                $ropes[] = $rope;

                continue;
            }
            foreach ([[0.0, $share], [$back, 1.0]] as [$from, $to]) {
                if ($to - $from > 1e-6) {
                    $ropes[] = $rope->part($from, $to);
                }
            }
        }

        return $ropes;
    }

    /** @return list<StepState> */
    private function states(): array
    {
        return StepStates::of($this->method, $this->diagram, $this->knot->file);
    }
}
