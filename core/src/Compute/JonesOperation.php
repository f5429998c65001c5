<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Topology\PdCode;
use Compadre\Core\Refusal;

/**
 * The Jones polynomial of a closed diagram, in powers of the square root of t.
 */
final readonly class JonesOperation implements Operation
{
    public function name(): string
    {
        return 'jones';
    }

    public function input(): array
    {
        return Schemas::object(['pd' => Schemas::listOf(['type' => 'array', 'items' => ['type' => 'integer'], 'minItems' => 4, 'maxItems' => 4])]);
    }

    public function output(): array
    {
        return Schemas::object([
            'jones' => ['type' => 'object', 'additionalProperties' => ['type' => 'integer']],
            'crossings' => ['type' => 'integer'], 'components' => ['type' => 'integer'], 'writhe' => ['type' => 'integer'],
        ]);
    }

    public function run(Fields $input): array
    {
        $crossings = [];
        foreach ($input->list('pd') as $number => $edges) {
            if (! is_array($edges) || count($edges) !== 4) {
                throw Refusal::of("/pd/$number", $edges, 'four edges');
            }
            $crossings[] = array_map(static fn (mixed $edge): int => is_int($edge) ? $edge : throw Refusal::of("/pd/$number", $edges, 'four whole numbers'), array_values($edges));
        }
        $code = PdCode::of($crossings);

        return [
            'jones' => (object) $code->jones()->terms, 'crossings' => count($crossings), 'components' => $code->components(),
            'writhe' => $code->writhe(),
        ];
    }
}
