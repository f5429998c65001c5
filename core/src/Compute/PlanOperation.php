<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Teaching\Rounds\Cause;
use Compadre\Core\Teaching\Rounds\TermPlan;

/**
 * Plans a term in rounds and stations. Meetings before now are left alone.
 */
final readonly class PlanOperation implements Operation
{
    public function __construct(private Library $library)
    {
    }

    public function name(): string
    {
        return 'plan';
    }

    public function input(): array
    {
        return PlanInput::schema();
    }

    public function output(): array
    {
        $terms = Schemas::listOf(['type' => 'number']) + ['minItems' => 4, 'maxItems' => 4];
        $texts = Schemas::listOf(Schemas::text());
        $minutes = ['type' => 'number', 'minimum' => 0];
        $station = Schemas::object(['knot' => Schemas::text(), 'learners' => $texts + ['minItems' => 1], 'helpers' => $texts, 'checkers' => ['type' => 'integer', 'minimum' => 1], 'minutes' => $minutes]);
        $change = Schemas::object(['kind' => ['enum' => ['unpin', 'minutes', 'checker', 'date', 'meeting', 'drop']], 'what' => Schemas::text(), 'by' => ['type' => 'integer', 'minimum' => 1]]);

        return Schemas::object([
            'meetings' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(), 'rounds' => Schemas::listOf(Schemas::object(['stations' => Schemas::listOf($station) + ['minItems' => 1], 'minutes' => $minutes])),
                'old' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'learners' => $texts, 'minutes' => $minutes])),
                'blocks' => Schemas::listOf(Schemas::object(['rig' => Schemas::text(), 'learners' => $texts, 'knots' => $texts, 'minutes' => $minutes])),
                'again_minutes' => $minutes + ['description' => 'second tries that wait for this meeting'],
            ])),
            'objective' => $terms + ['description' => 'unmet, completion, forgotten, crowding'], 'bound' => $terms + ['description' => 'what no plan is better than, that is no worse in the terms compared before'],
            'proven' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 4, 'description' => 'terms, in the order compared, that no plan is better in'], 'gap' => ['type' => 'string', 'maxLength' => 400],
            'unmet' => Schemas::listOf(Schemas::object([
                'learner' => Schemas::text(), 'badge' => Schemas::text(), 'leaf' => Schemas::object(['knot' => Schemas::text(), 'level' => ['type' => 'string']]), 'cause' => Schemas::choice(Cause::class),
                'remedy' => array_replace(Schemas::object(['change' => $change, 'brings' => ['type' => ['integer', 'null'], 'minimum' => 1], 'tried' => ['type' => 'boolean']]), ['type' => ['object', 'null']]),
            ])),
            'moved' => Schemas::listOf(Schemas::object(['learner' => Schemas::text(), 'knot' => Schemas::text(), 'kind' => ['enum' => ['lesson', 'old']], 'from' => Schemas::text(), 'to' => ['type' => ['string', 'null']]])),
        ]);
    }

    public function run(Fields $input): array
    {
        return TermPlan::of((new PlanInput($this->library))->course($input))->toArray();
    }
}
