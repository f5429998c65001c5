<?php

declare(strict_types=1);

namespace App\Bench;

use App\Http\Words;
use Compadre\Core\Rigs\Member;
use Compadre\Core\Rigs\Pack\FigurePlan;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\PolesInHand;
use Compadre\Core\Rigs\PolesServed;
use Compadre\Core\Rigs\PoleStock;
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

    /**
     * @param  list<PoleStock>  $poles  the group's own, offered where a pole is asked for
     * @return array<string, mixed>
     */
    public function question(Question $question, array $poles = []): array
    {
        $choices = [];
        foreach ($question->choices as $id => $name) {
            $choices[] = ['id' => $id, 'name' => $name];
        }

        return [
            'id' => $question->id, 'ask' => $question->ask, 'kind' => $question->kind->value, 'unit' => $question->unit, 'from' => $question->from, 'to' => $question->to,
            'optional' => $question->isOptional(), 'start' => $question->begins(), 'choices' => $choices, 'times' => $question->times, 'fields' => array_map(fn (Question $field): array => $this->question($field, $poles), $question->fields),
            'offers' => $question->isPole ? array_map(static fn (PoleStock $pole): array => ['name' => $pole->name, 'value' => $pole->diameter], $poles) : [],
        ];
    }

    /**
     * @param  list<PoleStock>  $poles  the group's own; none: it is not told which would do
     * @return array<string, mixed>
     */
    public function worked(Rigged $rigged, array $poles = []): array
    {
        $words = Words::asked();
        $served = $poles === [] ? [] : (new PolesInHand($poles))->serve($rigged->members);
        $figures = array_filter($rigged->rig->figures, static fn (FigurePlan $figure): bool => isset($rigged->figures[$figure->id]));

        return [
            'members' => array_map(fn (Member $member, int $n): array => [
                'id' => $member->id, 'kind' => $member->kind, 'name' => $member->name, 'count' => $member->count, 'length_mm' => $member->length, 'diameter_mm' => $member->diameter, 'knots' => $this->list->named($member->knots),
                'ours' => isset($served[$n]) ? self::served($served[$n]) : null,
            ], $rigged->members, array_keys($rigged->members)),
            'places' => array_map(fn (StandingKnot $knot): array => [
                'place' => $knot->place, 'where' => $knot->where, 'knot' => $this->list->named([$knot->knot])[0], 'method' => $knot->method, 'wraps' => $knot->wraps, 'counts' => $knot->counts, 'why' => $knot->why, 'others' => $this->list->named($knot->others),
            ], $rigged->knots),
            'figures' => array_values(array_map(static fn (FigurePlan $figure): array => ['id' => $figure->id, 'name' => $figure->name, 'unit' => $figure->unit, 'value' => $rigged->figures[$figure->id]], $figures)),
            'cut' => $rigged->cut, 'advice' => array_map($words->say(...), $rigged->advice), 'reason' => $words->say($rigged->reason), 'sketch' => $rigged->sketch->toArray(),
        ];
    }

    /** @return array{taken: list<array{name: string, count: int}>, missing: int} */
    private static function served(PolesServed $served): array
    {
        return ['taken' => array_map(static fn (array $one): array => ['name' => $one['pole']->name, 'count' => $one['count']], $served->taken), 'missing' => $served->missing];
    }
}
