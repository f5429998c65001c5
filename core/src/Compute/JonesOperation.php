<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Topology\PdCode;

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
            [$i, $j, $k, $l] = (is_array($edges) ? array_values($edges) : []) + [null, null, null, null];
            if (! is_int($i) || ! is_int($j) || ! is_int($k) || ! is_int($l)) {
                throw Refusal::of("/pd/$number", $edges, 'compute.four');
            }
            $crossings[] = [$i, $j, $k, $l];
        }
        $code = PdCode::of($crossings);

        return [
            'jones' => (object) $code->jones()->terms, 'crossings' => count($crossings), 'components' => $code->components(),
            'writhe' => $code->writhe(),
        ];
    }
}
