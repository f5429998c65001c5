<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Practice\TaskKind;
use Compadre\Core\Practice\TaskMaker;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Catalogue;

/**
 * A task for a learner with exactly one right answer; of a left-handed one everything is drawn as its mirror image.
 */
final readonly class PracticeOperation implements Operation
{
    public function __construct(private Library $library, private TaskMaker $tasks)
    {
    }

    public function name(): string
    {
        return 'practice';
    }

    public function input(): array
    {
        return Schemas::object([
            'kind' => Schemas::choice(TaskKind::class), 'knot' => Schemas::text(60), 'method' => Schemas::text(60), 'hand' => ['enum' => ['left', 'right']],
            'seed' => ['type' => 'integer'],
        ], ['method', 'hand']);
    }

    public function output(): array
    {
        $place = ['type' => 'integer', 'minimum' => 0];
        $words = ['type' => 'object', 'additionalProperties' => ['type' => 'string', 'pattern' => '^[ou]*$'], 'description' => 'a form: by rope, in order of travel, o over and u under'];
        $crossing = $place + ['description' => 'place in the crossings of the operation knot, from 0'];

        return Schemas::object([
            'question' => Schemas::text(400),
            'options' => Schemas::listOf(Schemas::object([
                'say' => ['enum' => ['over', 'under']], 'words' => $words, 'crossing' => $crossing, 'step' => ['type' => 'integer', 'minimum' => 1], 'knot' => Schemas::text(60),
            ], ['say', 'words', 'crossing', 'step', 'knot'])) + ['minItems' => 2, 'maxItems' => 6],
            'answer' => ['oneOf' => [$place + ['description' => 'place of the right one'], Schemas::listOf($place) + ['description' => 'places of all, the first to be tied first']]],
            'reason' => Schemas::text(2000),
            'shows' => Schemas::object([
                'crossing' => $crossing, 'step' => ['type' => 'integer', 'minimum' => 1], 'words' => $words,
                'job' => ['type' => 'object', 'description' => 'as the operation choose takes it'],
            ], ['crossing', 'step', 'words', 'job']),
            'view' => Schemas::view(),
        ]);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->forLearners($input->text('knot'));
        if (! $knot->isTaught()) {
            throw Refusal::of('/knot', $knot->id, 'compute.learned');
        }
        $view = View::forHand($input->text('hand', 'right'));
        $task = $this->tasks->make($input->choice('kind', TaskKind::class), $knot, $knot->method($input->textOrNull('method')), $input->whole('seed'), $view);

        return [
            'question' => Catalogue::english()->say($task->question), 'options' => $task->options, 'answer' => $task->answer, 'reason' => Catalogue::english()->say($task->reason),
            'shows' => (object) $task->shows, 'view' => $view->value,
        ];
    }
}
