<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Family;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\TailClass;

/**
 * Every knot there is a pack for.
 */
final readonly class KnotsOperation implements Operation
{
    public function __construct(private Library $library)
    {
    }

    public function name(): string
    {
        return 'knots';
    }

    public function input(): array
    {
        return Schemas::object([]);
    }

    public function output(): array
    {
        return Schemas::object(['knots' => Schemas::listOf(Schemas::object([
            'id' => Schemas::text(), 'names' => Schemas::listOf(Schemas::text()), 'family' => Schemas::choice(Family::class), 'audience' => ['enum' => ['all', 'leaders']],
            'mistake' => ['type' => 'boolean'], 'methods' => Schemas::listOf(Schemas::text()), 'prerequisites' => Schemas::listOf(Schemas::text()),
            'tail_class' => Schemas::choice(TailClass::class), 'minutes' => ['type' => 'integer'],
        ]))]);
    }

    public function run(Fields $input): array
    {
        return ['knots' => array_values(array_map(static fn (KnotPack $knot): array => [
            'id' => $knot->id, 'names' => $knot->names, 'family' => $knot->family->value, 'audience' => $knot->audience, 'mistake' => $knot->isMistake,
            'methods' => $knot->methodIds(), 'prerequisites' => $knot->prerequisites, 'tail_class' => $knot->tailClass->value, 'minutes' => $knot->minutes,
        ], $this->library->all()))];
    }
}
