<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Catalogue;

/**
 * How long a knot's tail has to be in a rope, and what a measured one comes to.
 */
final readonly class TailOperation implements Operation
{
    public function __construct(private Library $library, private TailRule $rule)
    {
    }

    public function name(): string
    {
        return 'tail';
    }

    public function input(): array
    {
        return Schemas::object([
            'knot' => Schemas::text(), 'diameter_mm' => Schemas::diameter(), 'material' => Schemas::material(), 'school' => Schemas::school(),
            'wet' => ['type' => 'boolean'], 'backup' => ['type' => 'boolean'],
            'width_mm' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 200],
            'measured_mm' => ['type' => 'number', 'minimum' => 0, 'maximum' => 100000], 'measured_by' => Schemas::measure(),
        ], ['school', 'wet', 'backup', 'width_mm', 'measured_mm', 'measured_by']);
    }

    public function output(): array
    {
        return Schemas::object([
            'required_mm' => ['type' => 'integer'], 'uncertainty_mm' => ['type' => 'number'],
            'verdict' => ['enum' => [null, 'short', 'borderline', 'good', 'long']], 'reason' => Schemas::text(600),
        ]);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $rope = RopeInHand::of($input->number('diameter_mm'), Material::from($input->text('material')), $input->flag('wet'), $input->numberOrNull('width_mm'));

        return $this->rule->judge(
            $knot->tailClass, $rope, TailSchool::from($input->text('school', 'longer')), $input->flag('backup'),
            $input->numberOrNull('measured_mm'), Measure::from($input->text('measured_by', 'mm')),
        )->toArray(Catalogue::english());
    }
}
