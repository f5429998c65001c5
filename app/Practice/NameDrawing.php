<?php

declare(strict_types=1);

namespace App\Practice;

use App\Http\Words;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Practice\Drawn;
use Compadre\Core\Refusal;

/**
 * Says what a learner has drawn with a finger.
 */
final readonly class NameDrawing
{
    public function __construct(private Library $library, private Drawn $drawn)
    {
    }

    /**
     * @return array{kind: string, says: string, parts_at: ?int}
     *
     * @throws Refusal for a knot of which no drawing tells anything, or what cannot have been drawn
     */
    public function __invoke(Fields $drawing): array
    {
        $knot = $this->library->forLearners($drawing->text('knot'));
        if (! $knot->isTaught() || ! $knot->hasFingerprint()) {
            throw Refusal::of('/knot', $knot->id, 'practice.crossings_only');
        }
        $visits = [];
        foreach ($drawing->objects('strands') as $strand) {
            $visits[$strand->text('id')] = array_map(static fn (Fields $visit): array => [$visit->whole('crossing'), $visit->flag('over')], $strand->objects('visits'));
        }
        $turns = array_map(static fn (mixed $turn): int => $turn === 1 ? 1 : -1, $drawing->list('turns'));

        $said = $this->drawn->says($knot, $knot->method($drawing->textOrNull('method')), $drawing->choice('view', View::class, View::Learner), $visits, $turns);

        return ['says' => Words::asked()->say($said['says'])] + $said;
    }
}
