<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Rope\CutPlan;
use Compadre\Core\Rope\Cutting;

/**
 * What to cut from which stock.
 */
final readonly class CutOperation implements Operation
{
    public function name(): string
    {
        return 'cut';
    }

    public function input(): array
    {
        $length = ['type' => 'integer', 'minimum' => 1, 'maximum' => 10_000_000];

        return Schemas::object([
            'pieces' => Schemas::listOf(Schemas::object(['length_mm' => $length, 'count' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 2000]])) + ['maxItems' => 200],
            'stock' => Schemas::listOf(Schemas::object(['id' => Schemas::text(), 'length_mm' => $length])) + ['maxItems' => 500],
            'keep_mm' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 100_000, 'default' => CutPlan::KEEP],
            'allowance_mm' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 10_000, 'default' => CutPlan::ALLOWANCE],
        ], ['keep_mm', 'allowance_mm']);
    }

    public function output(): array
    {
        $whole = ['type' => 'integer', 'minimum' => 0];

        return Schemas::object([
            'cuts' => Schemas::listOf(Schemas::object(['stock' => Schemas::text(), 'pieces' => Schemas::listOf($whole), 'offcut_mm' => $whole])),
            'waste_mm' => $whole, 'bound_mm' => $whole, 'proven' => ['type' => 'boolean'],
            'unmet' => Schemas::listOf(Schemas::object(['length_mm' => $whole, 'count' => $whole])),
        ]);
    }

    public function run(Fields $input): array
    {
        $plan = Cutting::plan(
            array_map(static fn (Fields $piece): array => ['length' => $piece->whole('length_mm'), 'count' => $piece->whole('count')], $input->objects('pieces')),
            array_map(static fn (Fields $stock): array => ['id' => $stock->text('id'), 'length' => $stock->whole('length_mm')], $input->objects('stock')),
            $input->whole('keep_mm', CutPlan::KEEP), $input->whole('allowance_mm', CutPlan::ALLOWANCE),
        );

        return [
            'cuts' => array_map(static fn (array $cut): array => ['stock' => $cut['stock'], 'pieces' => $cut['pieces'], 'offcut_mm' => $cut['offcut']], $plan->cuts),
            'waste_mm' => $plan->waste, 'bound_mm' => $plan->bound, 'proven' => $plan->proven,
            'unmet' => array_map(static fn (array $unmet): array => ['length_mm' => $unmet['length'], 'count' => $unmet['count']], $plan->unmet),
        ];
    }
}
