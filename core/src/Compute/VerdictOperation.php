<?php

declare(strict_types=1);

namespace Compadre\Core\Compute;

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\Ladder;
use Compadre\Core\Checking\NextStep;
use Compadre\Core\Checking\Observation;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Checking\VerdictRule;
use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Catalogue;

/**
 * What a check comes to, the level it brings the learner to with their earlier results, and what to do next.
 */
final readonly class VerdictOperation implements Operation
{
    public function __construct(private Library $library, private TailRule $rule)
    {
    }

    public function name(): string
    {
        return 'verdict';
    }

    public function input(): array
    {
        return Schemas::object([
            'knot' => Schemas::text(), 'method' => ['type' => ['string', 'null'], 'maxLength' => 60],
            'tying' => Schemas::seen(), 'dressing' => Schemas::seen(), 'tail' => Schemas::seen(),
            'how' => ['enum' => ['attested', 'measured']], 'measured_mm' => ['type' => ['number', 'null'], 'minimum' => 0, 'maximum' => 5000],
            'measured_by' => Schemas::measure(), 'rope' => ['anyOf' => [Schemas::rope(), ['type' => 'null']]],
            'prompts' => ['type' => 'integer', 'minimum' => 0, 'maximum' => 2], 'purpose' => Schemas::seen(), 'test' => Schemas::seen(),
            'mistake' => ['type' => ['string', 'null'], 'maxLength' => 60], 'note' => ['type' => ['string', 'null'], 'maxLength' => 500],
            'school' => Schemas::school(), 'backup' => ['type' => 'boolean'],
            'history' => Schemas::listOf(Schemas::object(['knot' => Schemas::text(), 'day' => Schemas::day(), 'verdict' => Schemas::verdict()], ['knot'])),
            'now' => Schemas::now(),
        ], ['method', 'how', 'measured_mm', 'measured_by', 'rope', 'prompts', 'purpose', 'test', 'mistake', 'note', 'school', 'backup', 'history']);
    }

    public function output(): array
    {
        return Schemas::object([
            'verdict' => Schemas::verdict(), 'level' => ['enum' => ['seen', 'with_help', 'has_it', 'kept']],
            'mistakes' => Schemas::listOf(Schemas::mistake()), 'next' => Schemas::text(600), 'rule_version' => ['type' => 'integer'],
        ]);
    }

    public function run(Fields $input): array
    {
        $knot = $this->library->knot($input->text('knot'));
        $method = $input->textOrNull('method');
        if ($method !== null && ! in_array($method, $knot->methodIds(), true)) {
            throw Refusal::of('/method', $method, 'any.one_of', ['list' => $knot->methodIds()]);
        }
        $seen = Observation::from($input);
        $finding = (new VerdictRule($this->rule))->judge($seen, $knot, TailSchool::from($input->text('school', 'longer')), $input->flag('backup'));
        $results = [];
        foreach ($input->objects('history') as $entry) {
            if ($entry->text('knot', $knot->id) === $knot->id) {
                $results[] = new DayResult($entry->text('day'), Verdict::from($entry->text('verdict')));
            }
        }
        $level = Ladder::level([...$results, new DayResult(Schemas::dayOf($input), $finding->verdict)]);

        return [
            'verdict' => $finding->verdict->value, 'level' => $level?->value,
            'mistakes' => array_map(static fn (KnotMistake $mistake): array => $mistake->toArray(), NextStep::mistakes($finding, $seen, $knot)),
            'next' => Catalogue::english()->say(NextStep::of($finding, $seen, $knot, $level)), 'rule_version' => VerdictRule::VERSION,
        ];
    }
}
