<?php

declare(strict_types=1);

use Compadre\Core\Checking\DayResult;
use Compadre\Core\Checking\How;
use Compadre\Core\Checking\Ladder;
use Compadre\Core\Checking\Level;
use Compadre\Core\Checking\NextStep;
use Compadre\Core\Checking\Observation;
use Compadre\Core\Checking\Seen;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Checking\VerdictRule;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\KnotPack;
use Compadre\Core\Knots\Library;
use Compadre\Core\Refusal;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Catalogue;

function verdictOf(Observation $seen, string $knot = 'bowline'): Compadre\Core\Checking\Finding
{
    $packs = dirname(__DIR__, 3).'/packs';
    $rule = new VerdictRule(TailRule::fromPack(Fields::of(Json::arrays(Json::file("$packs/materials/rope.json")))));

    return $rule->judge($seen, Library::at($packs)->knot($knot), TailSchool::Longer, false);
}

function bowlinePack(): KnotPack
{
    return Library::at(dirname(__DIR__, 3).'/packs')->knot('bowline');
}

function seen(Seen $tying, Seen $dressing, Seen $tail, int $prompts = 0, ?float $measured = null, Measure $by = Measure::Millimetres, ?string $mistake = null): Observation
{
    $rope = $measured === null ? null : RopeInHand::of(8, Material::Polyester);

    return new Observation($tying, $dressing, $tail, $measured === null ? How::Attested : How::Measured, $prompts, $measured, $by, $rope, $mistake);
}

it('gives the verdict of the rule', function (Observation $seen, Verdict $verdict): void {
    expect(verdictOf($seen)->verdict)->toBe($verdict);
})->with([
    'all right' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::Yes), Verdict::HasIt],
    'all right with a prompt' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::Yes, 1), Verdict::WithHelp],
    'tied wrong' => [fn () => seen(Seen::No, Seen::Yes, Seen::Yes), Verdict::TieAgain],
    'tied wrong outweighs all' => [fn () => seen(Seen::No, Seen::No, Seen::No), Verdict::TieAgain],
    'untidy' => [fn () => seen(Seen::Yes, Seen::No, Seen::Yes), Verdict::TidyIt],
    'untidy comes before a short tail' => [fn () => seen(Seen::Yes, Seen::No, Seen::No), Verdict::TidyIt],
    'short tail' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::No), Verdict::FeedTail],
    'tail not looked at' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotLooked), Verdict::Incomplete],
    'tying not looked at' => [fn () => seen(Seen::NotLooked, Seen::Yes, Seen::Yes), Verdict::Incomplete],
    'nothing looked at' => [fn () => seen(Seen::NotLooked, Seen::NotLooked, Seen::NotLooked), Verdict::Incomplete],
    'not looked at, and a prompt: still incomplete' => [fn () => seen(Seen::Yes, Seen::NotLooked, Seen::Yes, 2), Verdict::Incomplete],
    'a plain no says what to do although the tail was not looked at' => [fn () => seen(Seen::Yes, Seen::No, Seen::NotLooked), Verdict::TidyIt],
    'measured long enough' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotLooked, 0, 100), Verdict::HasIt],
    'measured short, whatever was said' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::Yes, 0, 60), Verdict::FeedTail],
    'too long is no fault' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotLooked, 0, 900), Verdict::HasIt],
    'borderline: the leader’s yes stands' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::Yes, 0, 96, Measure::Finger), Verdict::HasIt],
    'borderline and no word: not finished' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotLooked, 0, 96, Measure::Finger), Verdict::Incomplete],
]);

it('says kindly what to do next', function (Observation $seen, ?Level $level, string $expected): void {
    $knot = bowlinePack();
    expect(Catalogue::english()->say(NextStep::of(verdictOf($seen), $seen, $knot, $level)))->toContain($expected)->not->toMatch('/fail/i');
})->with([
    [fn () => seen(Seen::Yes, Seen::Yes, Seen::Yes), Level::HasIt, 'tie the bowline again at the next meeting'],
    [fn () => seen(Seen::Yes, Seen::Yes, Seen::Yes), Level::Kept, 'Kept'],
    [fn () => seen(Seen::No, Seen::Yes, Seen::Yes), Level::Seen, 'The loop slides or falls open'],
    [fn () => seen(Seen::No, Seen::Yes, Seen::Yes, mistake: 'bowline-falling'), Level::Seen, 'round behind the standing part'],
    [fn () => seen(Seen::Yes, Seen::Yes, Seen::No), Level::Seen, 'no need to tie it again'],
    [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotLooked, 0, 55), Level::Seen, '25 mm too short'],
    [fn () => seen(Seen::Yes, Seen::NotLooked, Seen::NotLooked), Level::Seen, 'Still to look at: dressing and tail'],
    [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotLooked, 0, 96, Measure::Finger), Level::Seen, 'measure it'],
]);

it('names the mistake that was picked, else the pack’s, and none for a knot that is tied right', function (): void {
    $knot = bowlinePack();
    $ids = fn (Observation $seen): array => array_map(fn ($mistake): string => $mistake->id, NextStep::mistakes(verdictOf($seen), $seen, $knot));
    expect($ids(seen(Seen::No, Seen::Yes, Seen::Yes, mistake: 'bowline-falling')))->toBe(['bowline-falling']);
    expect($ids(seen(Seen::No, Seen::Yes, Seen::Yes)))->toBe(['bowline-slipping', 'bowline-falling']);
    expect($ids(seen(Seen::Yes, Seen::No, Seen::Yes)))->toBe([]);
});

it('refuses what cannot be seen', function (Closure $observe, string $field): void {
    expect(fn () => verdictOf($observe()))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe($field));
})->with([
    'a knot that is not tied at all' => [fn () => seen(Seen::NotApplicable, Seen::Yes, Seen::Yes), '/tying'],
    'a bowline without dressing' => [fn () => seen(Seen::Yes, Seen::NotApplicable, Seen::Yes), '/dressing'],
    'a bowline without a tail' => [fn () => seen(Seen::Yes, Seen::Yes, Seen::NotApplicable), '/tail'],
    'a mistake of another knot' => [fn () => seen(Seen::No, Seen::Yes, Seen::Yes, mistake: 'granny-knot'), '/mistake'],
    'a length without its rope' => [fn () => new Observation(Seen::Yes, Seen::Yes, Seen::Yes, How::Measured, 0, 50, Measure::Millimetres, null, null), '/rope'],
    'measured without a length' => [fn () => new Observation(Seen::Yes, Seen::Yes, Seen::Yes, How::Measured, 0, null, Measure::Millimetres, null, null), '/measured_mm'],
]);

it('climbs the ladder and never falls', function (array $results, ?Level $level): void {
    $results = array_map(fn (array $one): DayResult => new DayResult($one[0], $one[1], $one[2] ?? false), $results);
    expect(Ladder::level($results))->toBe($level);
})->with([
    'nothing' => [[], null],
    'tried' => [[['2026-11-03', Verdict::TieAgain]], Level::Seen],
    'helped' => [[['2026-11-03', Verdict::TieAgain], ['2026-11-03', Verdict::WithHelp]], Level::WithHelp],
    'has it' => [[['2026-11-03', Verdict::HasIt]], Level::HasIt],
    'twice on a day is not kept' => [[['2026-11-03', Verdict::HasIt], ['2026-11-03', Verdict::HasIt]], Level::HasIt],
    'another day is' => [[['2026-11-03', Verdict::HasIt], ['2026-11-10', Verdict::HasIt]], Level::Kept],
    'help on another day is not' => [[['2026-11-03', Verdict::HasIt], ['2026-11-10', Verdict::WithHelp]], Level::HasIt],
    'a bad day takes nothing away' => [[['2026-11-03', Verdict::HasIt], ['2026-11-10', Verdict::HasIt], ['2026-11-17', Verdict::TieAgain]], Level::Kept],
    'had before, and shown now, is kept' => [[['2026-11-03', Verdict::HasIt, true], ['2026-11-03', Verdict::HasIt]], Level::Kept],
    'had before, said twice, is not' => [[['2026-11-03', Verdict::HasIt, true], ['2026-11-10', Verdict::HasIt, true]], Level::HasIt],
]);

it('passes no knot that fails its own test, whatever else is right', function (string $knot, string $verdict): void {
    $folder = dirname(__DIR__, 3).'/packs';
    $rule = new \Compadre\Core\Checking\VerdictRule(\Compadre\Core\Rope\TailRule::fromPack(\Compadre\Core\Data\Fields::of(\Compadre\Core\Data\Json::arrays(\Compadre\Core\Data\Json::file("$folder/materials/rope.json")))));
    $pack = \Compadre\Core\Knots\Library::at($folder)->knot($knot);
    foreach ([0, 1, 2] as $prompts) {
        foreach (['yes', 'not_looked'] as $part) {
            $seen = \Compadre\Core\Checking\Observation::from(\Compadre\Core\Data\Fields::of(['tying' => $part, 'dressing' => $pack->hasDressing ? $part : 'not_applicable', 'tail' => $pack->hasTail ? $part : 'not_applicable', 'prompts' => $prompts, 'test' => 'no']));
            expect($rule->judge($seen, $pack, \Compadre\Core\Rope\TailSchool::Longer, false)->verdict->value)->toBe($verdict);
        }
    }
})->with([['taut-line-hitch', 'tie_again'], ['square-knot', 'tie_again'], ['square-lashing', 'tidy_it'], ['water-knot', 'tidy_it']]);
