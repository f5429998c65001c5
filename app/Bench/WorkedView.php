<?php

declare(strict_types=1);

namespace App\Bench;

use Compadre\Core\Rigs\Member;
use Compadre\Core\Rigs\Pack\FigurePlan;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\Rigged;
use Compadre\Core\Rigs\StandingKnot;

/**
 * What a rig or an instrument asks, and what it comes to, as a screen shows it.
 */
final readonly class WorkedView
{
    public function __construct(private RigList $list)
    {
    }

    /** @return array<string, mixed> */
    public function question(Question $question): array
    {
        $choices = [];
        foreach ($question->choices as $id => $name) {
            $choices[] = ['id' => $id, 'name' => $name];
        }

        return [
            'id' => $question->id, 'ask' => $question->ask, 'kind' => $question->kind->value, 'unit' => $question->unit, 'from' => $question->from, 'to' => $question->to,
            'optional' => $question->isOptional(), 'start' => $question->begins(), 'choices' => $choices, 'times' => $question->times, 'fields' => array_map($this->question(...), $question->fields),
        ];
    }

    /** @return array<string, mixed> */
    public function worked(Rigged $rigged): array
    {
        $figures = array_filter($rigged->rig->figures, static fn (FigurePlan $figure): bool => isset($rigged->figures[$figure->id]));

        return [
            'members' => array_map(fn (Member $member): array => [
                'id' => $member->id, 'kind' => $member->kind, 'name' => $member->name, 'count' => $member->count, 'length_mm' => $member->length, 'diameter_mm' => $member->diameter, 'knots' => $this->list->named($member->knots),
            ], $rigged->members),
            'places' => array_map(fn (StandingKnot $knot): array => [
                'place' => $knot->place, 'where' => $knot->where, 'knot' => $this->list->named([$knot->knot])[0], 'method' => $knot->method, 'wraps' => $knot->wraps, 'counts' => $knot->counts, 'why' => $knot->why, 'others' => $this->list->named($knot->others),
            ], $rigged->knots),
            'figures' => array_values(array_map(static fn (FigurePlan $figure): array => ['id' => $figure->id, 'name' => $figure->name, 'unit' => $figure->unit, 'value' => $rigged->figures[$figure->id]], $figures)),
            'cut' => $rigged->cut, 'advice' => $rigged->advice, 'reason' => $rigged->reason, 'sketch' => $rigged->sketch->toArray(),
        ];
    }
}
