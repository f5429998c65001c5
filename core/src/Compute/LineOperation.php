<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Line;
use Compadre\Core\Words\Catalogue;

/**
 * The pull in a loaded line.
 */
final readonly class LineOperation implements Operation
{
    public function name(): string
    {
        return 'line';
    }

    public function input(): array
    {
        // Down to a thousandth: below, the pull would be beyond any number.
        $length = ['type' => 'number', 'minimum' => 0.001, 'maximum' => 1_000_000];
        $load = ['type' => 'number', 'minimum' => 0.001, 'maximum' => 1_000_000];

        return Schemas::object(['span_mm' => $length, 'sag_mm' => $length, 'mid_load_n' => $load, 'even_load_n_per_m' => $load], ['mid_load_n', 'even_load_n_per_m']);
    }

    public function output(): array
    {
        return Schemas::object(['tension_n' => ['type' => 'number', 'description' => 'at the anchors'], 'horizontal_n' => ['type' => 'number'], 'advice' => Schemas::listOf(Schemas::text(400)), 'reason' => Schemas::text(600)]);
    }

    public function run(Fields $input): array
    {
        if ($input->has('mid_load_n') === $input->has('even_load_n_per_m')) {
            throw Refusal::of('/mid_load_n', $input->numberOrNull('mid_load_n'), 'compute.one_load');
        }
        $line = $input->has('mid_load_n')
            ? Line::loadedAtTheMiddle($input->number('span_mm'), $input->number('sag_mm'), $input->number('mid_load_n'))
            : Line::loadedEvenly($input->number('span_mm'), $input->number('sag_mm'), $input->number('even_load_n_per_m'));

        return ['tension_n' => round($line->tension, 3), 'horizontal_n' => round($line->horizontal, 3), 'advice' => array_map(Catalogue::english()->say(...), $line->advice()), 'reason' => Catalogue::english()->say($line->reason())];
    }
}
