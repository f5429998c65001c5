<?php

declare(strict_types=1);

use Compadre\Core\Compute\Command;
use Compadre\Core\Data\Schema;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;

require_once __DIR__.'/AnyInput.php';

/** A term with something of everything in it: too much hangs together in one for chance to make it whole. */
const WHOLE_TERM = <<<'JSON'
    {"now": "2026-11-25T18:00:00Z",
     "learners": [
         {"id": "ada", "band": "11-13", "badges": ["b", "c"], "levels": {"overhand": "has_it"}, "memories": {"overhand": {"half_life_days": 9, "last_day": "2026-11-11"}}, "away": ["first"], "patrol": "Otter", "ticks": ["uses_it:square-knot"]},
         {"id": "ben", "band": "5-7", "badges": ["b"]}],
     "badges": [
         {"pack": {"id": "b", "version": 1, "name": "B", "about": "A badge.", "ages": {"from": 5, "to": 13}, "requirement": {"all": [{"knot": "bowline", "level": "kept"}, {"choose": 1, "of": [{"knot": "clove-hitch"}, {"knot": "half-hitch"}]}]}}, "due_on": "2026-12-09", "firm": false, "preferences": ["clove-hitch"]},
         {"pack": {"id": "c", "version": 1, "name": "C", "about": "Another.", "ages": {"from": 5, "to": 13}, "requirement": {"all": [{"knot": "square-knot", "level": "uses_it"}]}}}],
     "meetings": [
         {"id": "first", "date": "2026-11-25", "minutes": 60, "checkers": 2, "objects": {"pole": 1}, "opening": 4, "rigs": ["frame"]},
         {"id": "second", "date": "2026-12-02", "minutes": 45, "checkers": 1, "objects": ["pole", "post"]}],
     "rigs": [{"id": "frame", "minutes": 20, "knots": ["clove-hitch"]}],
     "settings": {"pace": "soon", "factor": 1.1, "old_share": 0.2, "new_knots": 2, "pass_rates": {"bowline": 0.5}},
     "pins": [{"knot": "overhand", "meeting": "second", "learners": ["ben"]}], "bans": [{"what": "half-hitch", "meeting": "first"}],
     "previous": [{"learner": "ada", "knot": "bowline", "kind": "lesson", "meeting": "second"}]}
    JSON;

/** Whether a pointer leads to a field that is there, or that could be there beside those that are. */
function leadsSomewhere(string $pointer, mixed $input): bool
{
    $steps = array_map(static fn (string $step): string => strtr($step, ['~1' => '/', '~0' => '~']), array_slice(explode('/', $pointer), 1));
    array_pop($steps);
    foreach ($steps as $step) {
        if (! is_array($input) || ! array_key_exists($step, $input)) {
            return false;
        }
        $input = $input[$step];
    }

    return true;
}

it('answers as its schema says, or refuses with a field, a value and what is allowed, whatever it is given', function (string $operation, int $cases): void {
    $command = new Command(dirname(__DIR__, 3).'/packs');
    $schemas = json_decode($command->list(), true)['operations'][$operation];
    $known = ['knot' => Library::at(dirname(__DIR__, 3).'/packs')->ids(), 'has' => ['bowline', 'overhand']];
    $answered = $refused = 0;
    for ($case = 0; $case < $cases; $case++) {
        $any = new AnyInput(crc32("$operation $case"), $known);
        $input = $operation === 'plan' ? json_decode(WHOLE_TERM) : $any->valid($schemas['input']);
        if ($operation === 'rig') {
            $own = array_values(array_filter($schemas['input']['allOf'], static fn (array $one): bool => $one['if']['properties']['rig']['const'] === $input->rig))[0];
            $input->answers = $any->valid($own['then']['properties']['answers']);
        }
        if ($operation === 'verify') {
            // Three parts that say nothing: a badge nobody signed.
            $input->file = base64_encode('e30.e30.e30');
            $input->issuers = $case % 2 === 0 ? [] : $input->issuers;
        }
        if ($operation === 'plan' ? $case > 0 : $case % 3 === 2) {
            $input = $any->spoilt(json_decode((string) json_encode($input), true));
        }
        $json = $input === [] ? '{}' : (string) json_encode($input);
        try {
            $answer = $command->run($operation, $json);
        } catch (Refusal $refusal) {
            $refused++;
            expect($refusal->allowed)->not->toBe('')->not->toContain('one of ,')->not->toEndWith('one of ')->and($refusal->getMessage())->not->toBe('');
            expect(leadsSomewhere($refusal->field, json_decode($json, true)))->toBeTrue("$operation $case: {$refusal->getMessage()}");

            continue;
        }
        $answered++;
        Schema::hold(json_decode($answer), $schemas['output']);
    }
    expect($answered)->toBeGreaterThan(0)->and($refused)->toBeGreaterThan(0);
})->with([
    ['knot', 80], ['jones', 80], ['mistakes', 40], ['name', 60], ['tail', 200], ['rope-use', 200], ['cut', 200], ['lashing', 200], ['line', 200],
    ['friction', 100], ['plan', 60], ['due', 150], ['verdict', 200], ['rig', 200], ['choose', 200], ['practice', 60], ['verify', 60],
]);
