<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\Guess;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\Naming;
use Compadre\Core\Refusal;

/**
 * What a learner tied, from the overs and unders seen along a method.
 */
final readonly class NameOperation implements Operation
{
    public function __construct(private Library $library, private KnotIndex $index, private KnotIndex $forLearners)
    {
    }

    public function name(): string
    {
        return 'name';
    }

    public function input(): array
    {
        return Schemas::object([
            'knot' => Schemas::text(), 'method' => Schemas::text(60), 'audience' => Schemas::audience(),
            'answers' => ['type' => 'object', 'additionalProperties' => ['type' => 'string', 'pattern' => '^[ou?]*$', 'maxLength' => 200], 'description' => 'by rope, in order of travel: o over, u under, ? not seen'],
        ], ['method', 'audience']);
    }

    public function output(): array
    {
        return Schemas::object(['guesses' => Schemas::listOf(Schemas::object([
            'knot' => ['type' => ['string', 'null']], 'becomes' => Schemas::becomes(),
            'against' => ['type' => 'integer', 'minimum' => 0], 'unseen' => ['type' => 'integer', 'minimum' => 0],
            'parts_at' => ['type' => ['integer', 'null'], 'description' => 'the first crossing at which it parts from what is taught, from 0'],
            'step' => ['type' => ['integer', 'null']],
        ]))]);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $answers = [];
        foreach ($input->object('answers')->raw() as $rope => $seen) {
            $answers[(string) $rope] = is_string($seen) ? $seen : throw Refusal::of("/answers/$rope", $seen, 'compute.letters');
        }
        $index = Schemas::isForLearners($input) ? $this->forLearners : $this->index;
        $guesses = (new Naming($this->library, $index))->of($knot, $knot->method($input->textOrNull('method')), $answers);

        return ['guesses' => array_map(static fn (Guess $guess): array => [
            'knot' => $guess->knot, 'becomes' => $guess->becomes->toArray(), 'against' => $guess->against, 'unseen' => $guess->unseen,
            'parts_at' => $guess->parts, 'step' => $guess->step,
        ], $guesses)];
    }
}
