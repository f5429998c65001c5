<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;

/**
 * One computation of the command: what it takes, what it gives, and the doing. Schemas are JSON Schema 2020-12.
 */
interface Operation
{
    public function name(): string;

    /** @return array<string, mixed> */
    public function input(): array;

    /** @return array<string, mixed> */
    public function output(): array;

    /** @return array<string, mixed> the answer; maps that may be empty as objects */
    public function run(Fields $input): array;
}
