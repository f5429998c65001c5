<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Calibration;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Space\FormFile;
use Compadre\Core\Words\Catalogue;

/**
 * How much rope a knot takes.
 */
final readonly class RopeUseOperation implements Operation
{
    public function __construct(private Library $library, private TailRule $tails, private FormFile $forms)
    {
    }

    public function name(): string
    {
        return 'rope-use';
    }

    public function input(): array
    {
        $turn = Schemas::object(['object_mm' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 10000], 'turns' => ['type' => 'number', 'minimum' => 0, 'maximum' => 100]]);

        return Schemas::object([
            'knot' => Schemas::text(), 'diameter_mm' => Schemas::diameter(), 'material' => Schemas::material(),
            'turns' => Schemas::listOf($turn) + ['maxItems' => 20],
            'loop_mm' => ['type' => 'number', 'minimum' => 0, 'maximum' => 100000],
            'measured' => Schemas::listOf(Schemas::object([
                'measured_mm' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 100000], 'diameter_mm' => Schemas::diameter(), 'material' => Schemas::material(),
                'turns' => Schemas::listOf($turn) + ['maxItems' => 20], 'loop_mm' => ['type' => 'number', 'minimum' => 0, 'maximum' => 100000],
            ], ['turns', 'loop_mm'])) + ['maxItems' => 200, 'description' => 'the knot marked, tied, untied and measured'],
        ], ['turns', 'loop_mm', 'measured']);
    }

    public function output(): array
    {
        return Schemas::object([
            'used_mm' => ['type' => 'number'], 'tail_mm' => ['type' => 'integer'], 'total_mm' => ['type' => 'number'],
            'basis' => ['enum' => ['start', 'space', 'measured'], 'description' => 'whether the starting value, the knot drawn up in space or what was measured is reckoned with'],
            'spread_diameters' => ['type' => 'number', 'description' => 'of two measures or more: their standard deviation'],
            'set_out_mm' => ['type' => 'number', 'description' => 'from the end to the small loop'], 'reason' => Schemas::text(600),
        ], ['set_out_mm', 'spread_diameters']);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $rope = RopeInHand::of($input->number('diameter_mm'), Material::from($input->text('material')))->tiedAs($knot->tailClass);
        $own = $input->objects('measured') === [] ? null : Calibration::of($knot, array_map(static fn (Fields $one): float => self::measure($knot, $one), $input->objects('measured')));
        $use = RopeUse::of($knot, $rope, $this->tails->required($knot->tailClass, $rope, TailSchool::Longer, false), self::turns($input), $input->numberOrNull('loop_mm'), $this->forms->ropeInKnot($knot), $own);

        return [
            'used_mm' => round($use->used, 3), 'tail_mm' => $use->tail, 'total_mm' => round($use->total(), 3), 'basis' => $own !== null ? 'measured' : ($use->isFromSpace ? 'space' : 'start'),
        ] + ($own?->spread === null ? [] : ['spread_diameters' => round($own->spread, 3)]) + ($use->setOut === null ? [] : ['set_out_mm' => round($use->setOut, 3)]) + ['reason' => Catalogue::english()->say($use->reason)];
    }

    /** @return list<array{object: float, turns: float}> */
    private static function turns(Fields $of): array
    {
        return array_map(static fn (Fields $turn): array => ['object' => $turn->number('object_mm'), 'turns' => $turn->number('turns')], $of->objects('turns'));
    }

    /** @throws Refusal for what no such knot can take */
    private static function measure(KnotPack $knot, Fields $one): float
    {
        $rope = RopeInHand::of($one->number('diameter_mm'), Material::from($one->text('material')))->tiedAs($knot->tailClass);
        try {
            return Calibration::factor($knot, $rope, $one->number('measured_mm'), self::turns($one), $one->numberOrNull('loop_mm'));
        } catch (Refusal $fault) {
            throw $fault->below($one->at);
        }
    }
}
