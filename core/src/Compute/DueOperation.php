<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Memory;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Library;

/**
 * How likely each knot is still known, and which are due. Before the first has it there is no chance to give.
 */
final readonly class DueOperation implements Operation
{
    public function __construct(private Library $library)
    {
    }

    public function name(): string
    {
        return 'due';
    }

    public function input(): array
    {
        return Schemas::object([
            'results' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'day' => Schemas::day(), 'verdict' => Schemas::verdict()])),
            'now' => Schemas::now(),
        ]);
    }

    public function output(): array
    {
        return Schemas::object(['knots' => Schemas::listOf(Schemas::object([
            'knot' => Schemas::text(), 'chance' => ['type' => ['number', 'null']], 'half_life_days' => ['type' => ['number', 'null']], 'due' => ['type' => 'boolean'],
        ]))]);
    }

    public function run(Fields $input): array
    {
        $today = Schemas::dayOf($input);
        $byKnot = [];
        foreach ($input->objects('results') as $result) {
            $knot = $this->library->knot($result->text('knot'), $result->place('knot'));
            $byKnot[$knot->id][] = new DayResult($result->text('day'), Verdict::from($result->text('verdict')));
        }
        $knots = [];
        foreach ($byKnot as $id => $results) {
            $memory = Memory::from($results, $this->library->knot($id)->hard);
            $knots[] = [
                'knot' => $id, 'chance' => $memory === null ? null : round($memory->chance($today), 6),
                'half_life_days' => $memory === null ? null : round($memory->halfLife, 6), 'due' => $memory !== null && $memory->due($today),
            ];
        }

        return ['knots' => $knots];
    }
}
