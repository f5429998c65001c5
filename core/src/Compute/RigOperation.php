<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Closure;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rigs\Formula\RopeAtWork;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Member;
use Compadre\Core\Rigs\Pack\Question;
use Compadre\Core\Rigs\PolesInHand;
use Compadre\Core\Rigs\PolesServed;
use Compadre\Core\Rigs\PoleStock;
use Compadre\Core\Rigs\Rigged;
use Compadre\Core\Rigs\Rigging;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rigs\StandingKnot;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Words\Catalogue;

/**
 * Knots put to use: what a rig takes, how it stands, what to look out for. Each rig has questions of its own. Before learners a rig
 * that an adult has something to tick for is its purpose and its cautions, and nothing to build by.
 */
final readonly class RigOperation implements Narrowed, Operation
{
    public function __construct(private RigShelf $shelf, private Library $library, private TailRule $tails, private Friction $friction, private FormFile $forms)
    {
    }

    public function name(): string
    {
        return 'rig';
    }

    public function input(): array
    {
        return $this->inputOf($this->shelf->ids());
    }

    public function inputFor(mixed $asked): array
    {
        $rig = is_object($asked) ? $asked->rig ?? null : null;

        return $this->inputOf(is_string($rig) && $this->shelf->has($rig) ? [$rig] : []);
    }

    /**
     * @param  list<string>  $ids  the rigs whose answers are told
     * @return array<string, mixed>
     */
    private function inputOf(array $ids): array
    {
        $own = array_map(static fn (string $id, array $questions): array => [
            'if' => ['properties' => ['rig' => ['const' => $id]]], 'then' => ['properties' => ['answers' => Question::together($questions)]],
        ], $ids, array_map($this->shelf->questions(...), $ids));

        return Schemas::object([
            'rig' => ['enum' => $this->shelf->ids()],
            'answers' => ['type' => 'object', 'description' => 'to the rig’s own questions'],
            'rope' => Schemas::object(['diameter_mm' => Schemas::diameter(), 'material' => Schemas::material(), 'wet' => ['type' => 'boolean']], ['wet']),
            'poles' => Schemas::listOf(Schemas::object(['id' => Schemas::text(60), 'diameter_mm' => ['type' => 'number', 'minimum' => 10, 'maximum' => 300], 'length_mm' => ['type' => 'number', 'minimum' => 300, 'maximum' => 12000], 'count' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 500]])) + ['maxItems' => 100, 'description' => 'in hand: those that serve are told by member'],
            'knots' => ['type' => 'object', 'additionalProperties' => Schemas::text(60), 'description' => 'by place, where it is not the first that may stand there'],
            'sketch' => ['type' => 'boolean', 'description' => 'whether it is drawn to scale too'],
            'audience' => Schemas::audience(),
        ], ['knots', 'poles', 'sketch', 'audience']) + ($own === [] ? [] : ['allOf' => $own]);
    }

    public function output(): array
    {
        $number = ['type' => 'number'];
        $lines = Schemas::listOf(Schemas::text(600));
        $place = ['type' => 'array', 'items' => $number, 'minItems' => 2, 'maxItems' => 2];

        return Schemas::object([
            'members' => Schemas::listOf(Schemas::object([
                'id' => Schemas::text(), 'kind' => ['enum' => ['rope', 'pole', 'peg', 'cover']], 'name' => Schemas::text(), 'count' => ['type' => 'integer'],
                'length_mm' => $number, 'diameter_mm' => $number, 'material' => Schemas::material(), 'knots' => Schemas::listOf(Schemas::text()), 'places' => Schemas::listOf(Schemas::text()),
                'from' => Schemas::listOf(Schemas::object(['pole' => Schemas::text(60), 'count' => ['type' => 'integer']])), 'missing' => ['type' => 'integer', 'description' => 'how many poles none in hand serves for'],
            ], ['length_mm', 'diameter_mm', 'material', 'from', 'missing'])),
            'places' => Schemas::listOf(Schemas::object([
                'place' => Schemas::text(), 'where' => Schemas::text(), 'knot' => Schemas::text(), 'method' => Schemas::text(), 'wraps' => ['type' => 'integer'], 'counts' => Schemas::text(),
                'why' => Schemas::text(400), 'others' => Schemas::listOf(Schemas::text()),
            ], ['method', 'wraps', 'counts'])),
            'figures' => ['type' => 'object', 'additionalProperties' => $number],
            'cut' => Schemas::listOf(Schemas::object(['length_mm' => $number, 'count' => ['type' => 'integer']])),
            'advice' => $lines, 'gates' => $lines, 'raise' => $lines, 'strike' => $lines, 'reason' => Schemas::text(600),
            'sketch' => Schemas::object([
                'view' => ['enum' => ['side', 'front', 'plan']], 'width' => $number, 'height' => $number,
                'marks' => Schemas::listOf(['type' => 'object', 'required' => ['as', 'shape', 'points'], 'properties' => ['points' => Schemas::listOf($place)]]),
                'handles' => Schemas::listOf(['type' => 'object', 'required' => ['answer', 'at', 'axis', 'by'], 'properties' => ['at' => $place]]),
            ]),
        ], ['sketch']);
    }

    public function run(Fields $input): array
    {
        $rig = $this->shelf->rig($input->text('rig'));
        $rope = $input->object('rope');
        $work = new RopeAtWork(
            RopeInHand::of($rope->number('diameter_mm'), Material::from($rope->text('material')), $rope->flag('wet')),
            $this->library, $this->tails, $this->friction, fn (KnotPack $knot): ?float => $this->forms->ropeInKnot($knot),
        );
        $rigged = Rigging::of($rig, $input->object('answers'), $work, $input->words('knots'));
        if (Schemas::isForLearners($input) && $rig->isGated()) {
            return [
                'members' => [], 'places' => [], 'figures' => (object) [], 'cut' => [], 'advice' => $rig->cautions, 'gates' => [], 'raise' => [], 'strike' => [], 'reason' => $rig->forLearners,
            ];
        }

        return self::answer($rigged, $work, self::poles($input)?->serve($rigged->members) ?? [], $this->seen(Schemas::isForLearners($input))) + ($input->flag('sketch') ? ['sketch' => $rigged->sketch->toArray()] : []);
    }

    /**
     * @param  array<int, PolesServed>  $poles  by the member's place in the list
     * @param  Closure(string): bool  $seen  whether a knot may be named
     * @return array<string, mixed>
     */
    private static function answer(Rigged $rigged, RopeAtWork $rope, array $poles, Closure $seen): array
    {
        return [
            'members' => array_map(static fn (Member $member, int $n): array => ['id' => $member->id, 'kind' => $member->kind, 'name' => $member->name, 'count' => $member->count]
                + ($member->length === null ? [] : ['length_mm' => $member->length]) + ($member->diameter === null ? [] : ['diameter_mm' => $member->diameter])
                + ($member->kind === 'rope' ? ['material' => $rope->rope->material->value] : [])
                + ['knots' => array_values(array_filter($member->knots, $seen)), 'places' => $member->at]
                + (isset($poles[$n]) ? ['from' => array_map(static fn (array $one): array => ['pole' => $one['pole']->id, 'count' => $one['count']], $poles[$n]->taken), 'missing' => $poles[$n]->missing] : []), $rigged->members, array_keys($rigged->members)),
            'places' => array_values(array_map(static fn (StandingKnot $knot): array => ['place' => $knot->place, 'where' => $knot->where, 'knot' => $knot->knot]
                + ($knot->method === null ? [] : ['method' => $knot->method]) + ($knot->wraps === null ? [] : ['wraps' => $knot->wraps, 'counts' => $knot->counts])
                + ['why' => $knot->why, 'others' => array_values(array_filter($knot->others, $seen))], array_filter($rigged->knots, static fn (StandingKnot $knot): bool => $seen($knot->knot)))),
            'figures' => (object) $rigged->figures, 'cut' => $rigged->cut, 'advice' => array_map(Catalogue::english()->say(...), $rigged->advice), 'gates' => $rigged->rig->gates,
            'raise' => $rigged->rig->raise, 'strike' => $rigged->rig->strike, 'reason' => Catalogue::english()->say($rigged->reason),
        ];
    }

    /** What is in hand; null where nothing was said of it. */
    private static function poles(Fields $input): ?PolesInHand
    {
        return $input->has('poles') ? new PolesInHand(array_map(static fn (Fields $pole): PoleStock => new PoleStock($pole->text('id'), $pole->text('id'), $pole->number('diameter_mm'), $pole->number('length_mm'), $pole->whole('count')), $input->objects('poles'))) : null;
    }

    /** @return Closure(string): bool */
    private function seen(bool $learners): Closure
    {
        return fn (string $knot): bool => ! $learners || $this->library->knot($knot)->isForAll();
    }
}
