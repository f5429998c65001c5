<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\RopeUse;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Space\FormFile;

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
        ], ['turns', 'loop_mm']);
    }

    public function output(): array
    {
        return Schemas::object([
            'used_mm' => ['type' => 'number'], 'tail_mm' => ['type' => 'integer'], 'total_mm' => ['type' => 'number'],
            'basis' => ['enum' => ['start', 'space'], 'description' => 'whether the starting value or the knot drawn up in space is reckoned with'],
            'set_out_mm' => ['type' => 'number', 'description' => 'from the end to the small loop'], 'reason' => Schemas::text(600),
        ], ['set_out_mm']);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $rope = RopeInHand::of($input->number('diameter_mm'), Material::from($input->text('material')))->tiedAs($knot->tailClass);
        $turns = array_map(
            static fn (Fields $turn): array => ['object' => $turn->number('object_mm'), 'turns' => $turn->number('turns')],
            $input->has('turns') ? $input->objects('turns') : [],
        );
        $use = RopeUse::of($knot, $rope, $this->tails->required($knot->tailClass, $rope, TailSchool::Longer, false), $turns, $input->numberOrNull('loop_mm'), $this->forms->ropeInKnot($knot));

        return [
            'used_mm' => round($use->used, 3), 'tail_mm' => $use->tail, 'total_mm' => round($use->total(), 3), 'basis' => $use->isFromSpace ? 'space' : 'start',
        ] + ($use->setOut === null ? [] : ['set_out_mm' => round($use->setOut, 3)]) + ['reason' => $use->reason];
    }
}
