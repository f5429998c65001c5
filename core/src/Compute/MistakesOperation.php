<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\ErrorKind;
use Compadre\Core\Mistakes\Found;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Words\Catalogue;

/**
 * Every error of a method and what it becomes, the likeliest first.
 */
final readonly class MistakesOperation implements Operation
{
    public function __construct(private Library $library, private KnotIndex $index, private KnotIndex $forLearners)
    {
    }

    public function name(): string
    {
        return 'mistakes';
    }

    public function input(): array
    {
        return Schemas::object(['knot' => Schemas::text(), 'method' => Schemas::text(60), 'audience' => Schemas::audience()], ['method', 'audience']);
    }

    public function output(): array
    {
        return Schemas::object(['mistakes' => Schemas::listOf(Schemas::object([
            'id' => Schemas::text(), 'error' => Schemas::choice(ErrorKind::class),
            'crossing' => ['type' => ['integer', 'null'], 'minimum' => 0, 'description' => 'place in the crossings of the operation knot, from 0'],
            'becomes' => Schemas::becomes(), 'likely' => ['type' => 'number', 'minimum' => 0, 'maximum' => 1],
            'sign' => Schemas::text(400), 'cause' => Schemas::text(400), 'fix' => Schemas::text(500),
        ]))]);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $index = Schemas::isForLearners($input) ? $this->forLearners : $this->index;
        $finder = new MistakeFinder($this->library, $index);

        return ['mistakes' => array_map(static fn (Found $found): array => [
            'id' => $found->slip->id, 'error' => $found->slip->kind->error()->value, 'crossing' => $found->slip->crossing,
            'becomes' => $found->becomes->toArray(), 'likely' => $found->likely,
            'sign' => Catalogue::english()->say($found->sign), 'cause' => Catalogue::english()->say($found->cause), 'fix' => Catalogue::english()->say($found->fix),
        ], $finder->of($knot, $knot->method($input->textOrNull('method'))))];
    }
}
