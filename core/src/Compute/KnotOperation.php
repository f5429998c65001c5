<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Crossing;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Hold;
use Compadre\Core\Knots\Invariants;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\PartialDiagram;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\StepState;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\View;
use Compadre\Core\Knots\Visit;
use Compadre\Core\Refusal;
use Compadre\Core\Topology\Fingerprint;

/**
 * A knot's drawing: strands, crossings and steps, seen from one side and, if asked, as far as one step. Lengths in rope widths.
 */
final readonly class KnotOperation implements Operation
{
    public function __construct(private Library $library)
    {
    }

    public function name(): string
    {
        return 'knot';
    }

    public function input(): array
    {
        return Schemas::object([
            'knot' => Schemas::text(), 'method' => Schemas::text(60), 'view' => Schemas::view(), 'step' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 100],
        ], ['method', 'view', 'step']);
    }

    public function output(): array
    {
        $place = ['type' => 'array', 'items' => ['type' => 'number'], 'minItems' => 2, 'maxItems' => 2];

        return Schemas::object([
            'strands' => Schemas::listOf(Schemas::object(['id' => Schemas::text(), 'kind' => Schemas::text(), 'path' => Schemas::listOf($place), 'word' => ['type' => 'string', 'pattern' => '^[ou]*$']])),
            'crossings' => Schemas::listOf(Schemas::object(['over' => Schemas::text(), 'under' => Schemas::text(), 'at' => $place, 'sign' => ['enum' => [1, -1]]], ['sign'])),
            'steps' => Schemas::listOf(Schemas::object([
                'move' => Schemas::text(), 'say' => Schemas::text(400), 'story' => ['type' => ['string', 'null']], 'tight' => ['type' => 'boolean'],
                'reach' => ['type' => 'object', 'additionalProperties' => ['type' => 'number']],
            ])),
            'faces' => ['type' => 'integer'],
            'invariants' => Schemas::object([
                'crossings' => ['type' => 'integer'], 'ropes' => ['type' => 'integer'], 'writhe' => ['type' => 'integer'],
                'fingerprint' => ['type' => 'string', 'description' => 'by pairing of the ends, exponent:coefficient of A; equal ones are not told apart; lashings have none'],
            ], ['fingerprint']),
            'hold' => Schemas::object(['crossings' => ['type' => 'integer'], 'tau' => ['type' => 'number'], 'gamma' => ['type' => 'number']]),
        ], ['hold']);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $view = View::from($input->text('view', 'learner'));
        $method = $knot->method($input->textOrNull('method'))->told($view, $this->library->sides);
        $diagram = DiagramBuilder::loose($method, $knot->file);
        $steps = StepStates::of($method, $diagram, $knot->file);
        $shown = $this->upTo($knot, $diagram, $steps, $input->wholeOrNull('step'));
        $seen = $view->of($shown);

        return [
            'strands' => array_map(static fn (Strand $strand, int $number): array => [
                'id' => $strand->id, 'kind' => $strand->kind->value, 'path' => array_map(self::place(...), $strand->curve->points), 'word' => self::word($seen, $number),
            ], $seen->strands, array_keys($seen->strands)),
            'crossings' => array_map(static fn (Crossing $crossing): array => [
                'over' => $seen->strands[$crossing->over]->id, 'under' => $seen->strands[$crossing->under]->id, 'at' => self::place($crossing->at),
            ] + ($crossing->sign === null ? [] : ['sign' => $crossing->sign]), $seen->crossings),
            'steps' => array_map(static fn (StepState $step): array => [
                'move' => $step->plan->move, 'say' => $step->plan->say, 'story' => $step->plan->story, 'tight' => $step->plan->tight,
                'reach' => (object) array_map(static fn (float $s): float => round($s, 3), $step->reach),
            ], $steps),
            'faces' => Invariants::faces($seen),
            'invariants' => Invariants::of($seen) + ($knot->hasFingerprint() ? ['fingerprint' => Fingerprint::of($seen->code())->key()] : []),
        ] + $this->hold($knot, $seen);
    }

    /** @return array{hold?: array{crossings: int, tau: float, gamma: float}} for bends and binding knots */
    private function hold(KnotPack $knot, Diagram $diagram): array
    {
        $hold = Hold::ofKnot($knot, $diagram);

        return $hold === null ? [] : ['hold' => $hold->toArray()];
    }

    /** @param  list<StepState>  $steps */
    private function upTo(KnotPack $knot, Diagram $diagram, array $steps, ?int $step): Diagram
    {
        if ($step === null) {
            return $diagram;
        }
        $state = $steps[$step - 1] ?? throw Refusal::of('/step', $step, 'compute.step_of', ['most' => count($steps), 'knot' => $knot->id]);

        return PartialDiagram::of($diagram, $state->reach, $state->farNow());
    }

    private static function word(Diagram $diagram, int $strand): string
    {
        return implode('', array_map(static fn (Visit $visit): string => $visit->over ? 'o' : 'u', $diagram->visits($strand)));
    }

    /** @return array{float, float} */
    private static function place(Point $point): array
    {
        return [round($point->x, 3), round($point->y, 3)];
    }
}
