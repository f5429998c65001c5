<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\Material;
use Compadre\Core\Words\Catalogue;

/**
 * How much a turn round something helps a hand that holds.
 */
final readonly class FrictionOperation implements Operation
{
    public function __construct(private Friction $friction)
    {
    }

    public function name(): string
    {
        return 'friction';
    }

    public function input(): array
    {
        return Schemas::object([
            'material' => Schemas::material(), 'object' => ['enum' => ['wood', 'steel', 'rope']],
            'turns' => ['type' => 'number', 'minimum' => 0, 'maximum' => 20, 'description' => '1 is once round, 2 pi'], 'wet' => ['type' => 'boolean'],
        ], ['wet']);
    }

    public function output(): array
    {
        return Schemas::object(['ratio' => ['type' => 'number'], 'reason' => Schemas::text(600)]);
    }

    public function run(Fields $input): array
    {
        $about = [Material::from($input->text('material')), $input->text('object'), $input->number('turns'), $input->flag('wet')];

        return ['ratio' => round($this->friction->ratio(...$about), 6), 'reason' => Catalogue::english()->say($this->friction->reason(...$about))];
    }
}
