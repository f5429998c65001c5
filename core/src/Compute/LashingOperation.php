<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\LashingKind;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Lashing;
use Compadre\Core\Rigs\Tripod;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Saying;

/**
 * How much rope a lashing takes, and how a tripod stands.
 */
final readonly class LashingOperation implements Operation
{
    public function name(): string
    {
        return 'lashing';
    }

    public function input(): array
    {
        $length = ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 100_000];
        $turns = ['type' => 'integer', 'minimum' => 1, 'maximum' => 20];

        return Schemas::object([
            'kind' => Schemas::choice(LashingKind::class),
            'poles_mm' => Schemas::listOf(['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 1000]) + ['minItems' => 2, 'maxItems' => 3],
            'diameter_mm' => Schemas::diameter(), 'wraps' => $turns, 'fraps' => ['minimum' => 0, 'default' => 2] + $turns,
            'leg_mm' => $length, 'foot_radius_mm' => $length,
        ], ['wraps', 'fraps', 'leg_mm', 'foot_radius_mm']);
    }

    public function output(): array
    {
        $number = ['type' => 'number'];

        return Schemas::object([
            'rope_mm' => $number, 'rule_of_thumb_mm' => $number, 'height_mm' => $number, 'feet_apart_mm' => $number, 'lean_deg' => $number,
            'advice' => Schemas::listOf(Schemas::text(400)), 'reason' => Schemas::text(600),
        ], ['rule_of_thumb_mm', 'height_mm', 'feet_apart_mm', 'lean_deg']);
    }

    public function run(Fields $input): array
    {
        $kind = LashingKind::from($input->text('kind'));
        $poles = array_map(static fn (mixed $pole): float => is_int($pole) || is_float($pole) ? (float) $pole : throw Refusal::of('/poles_mm', $pole, 'compute.numbers'), $input->list('poles_mm'));
        $lashing = Lashing::of($kind, $poles, $input->number('diameter_mm'), $input->wholeOrNull('wraps'), $input->whole('fraps', 2));
        $stand = $this->stand($kind, $input);
        $advice = [new Saying('rigs.cut', ['metres' => ceil($lashing->advised() / 100) / 10]), new Saying('rigs.gear_only')];

        return ['rope_mm' => round($lashing->rope, 3)]
            + ($lashing->ruleOfThumb === null ? [] : ['rule_of_thumb_mm' => round($lashing->ruleOfThumb, 3)])
            + ($stand === null ? [] : ['height_mm' => round($stand->height, 3), 'feet_apart_mm' => round($stand->feetApart, 3), 'lean_deg' => round(rad2deg($stand->lean), 3)])
            + ['advice' => array_map(Catalogue::english()->say(...), [...$stand?->advice === null ? [] : [$stand->advice], ...$advice]), 'reason' => Catalogue::english()->say($lashing->reason)];
    }

    private function stand(LashingKind $kind, Fields $input): ?Tripod
    {
        $given = array_values(array_filter(['leg_mm', 'foot_radius_mm'], $input->has(...)));
        if ($given === []) {
            return null;
        }
        if (! $kind->isTripod()) {
            throw Refusal::of('/'.$given[0], $input->number($given[0]), 'compute.tripod_only');
        }
        if (count($given) === 1) {
            $other = $given[0] === 'leg_mm' ? 'foot_radius_mm' : 'leg_mm';
            throw Refusal::of('/'.$other, null, 'compute.beside', ['given' => $given[0]]);
        }

        return Tripod::of($input->number('leg_mm'), $input->number('foot_radius_mm'));
    }
}
