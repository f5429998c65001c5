<?php

declare(strict_types=1);

use Compadre\Core\Checking\Observation;
use Compadre\Core\Checking\ResultSheet;
use Compadre\Core\Checking\Verdict;
use Compadre\Core\Checking\VerdictRule;
use Compadre\Core\Data\CsvTable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\SheetRow;
use Compadre\Core\Knots\Library;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Words\Catalogue;

/** @return list<SheetRow> */
function resultRows(string $text): array
{
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $knots = [];
    foreach ($library->all() as $knot) {
        foreach ([$knot->id, ...$knot->names] as $name) {
            $knots[mb_strtolower($name)] = $knot;
        }
    }

    return (new ResultSheet(['ada p.' => 'a', 'bram k.' => 'b'], $knots, ['maren holt' => 'm'], ['2026-11-24' => 'tonight'], '2026-09-01', '2026-11-24'))->rows(CsvTable::read($text, 99));
}

it('takes what was noted on paper: day, learner, knot, result', function (): void {
    $rows = resultRows("2026-11-17,Ada P.,Bowline,has it\n2026-11-17,ADA P.,overhand,with help\n2026-11-17,Bram K.,Bowline,not yet\n2026-11-24,Bram K.,bowline,untidy\n2026-11-24,Bram K.,bowline,short tail\n");
    expect(array_column($rows, 'fault'))->toBe([null, null, null, null, null])->and(array_map(fn (SheetRow $row): int => $row->data['at'], $rows))->toBe([0, 1, 2, 0, 1]);
    expect($rows[0]->data)->toMatchArray(['day' => '2026-11-17', 'learner' => 'a', 'knot' => 'bowline', 'kind' => 'result', 'tying' => 'yes', 'dressing' => 'yes', 'tail' => 'yes', 'by' => null, 'id' => null]);
    expect($rows[1]->data['prompts'])->toBe(1);
});

it('reads each verdict into parts of which the rule makes that verdict', function (string $word, Verdict $verdict, string $knot): void {
    $data = resultRows("day,learner,knot,result\n2026-11-17,Ada P.,$knot,$word\n")[0]->data;
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $rule = new VerdictRule(TailRule::fromPack(Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json')))));
    expect($rule->judge(Observation::from(Fields::of(array_filter($data, fn (mixed $one): bool => $one !== null))), $library->knot($knot), TailSchool::Longer, false)->verdict)->toBe($verdict);
})->with(['has it' => ['has_it', Verdict::HasIt], 'passed' => ['Passed', Verdict::HasIt], 'with help' => ['with help', Verdict::WithHelp], 'tie again' => ['tie_again', Verdict::TieAgain], 'tidy it' => ['tidy it', Verdict::TidyIt], 'feed tail' => ['feed tail', Verdict::FeedTail]])->with(['bowline', 'clove-hitch']);

it('lets the parts count where they are written down, and what a knot has not be', function (): void {
    $rows = resultRows("Learner;Knot;Date;Tied;Dressed;Tail;Result;Leader;Notes\nAda P.;bowline;2026-11-17;y;n;;passed;Maren Holt;Loose\nBram K.;sheepshank;2026-11-17;x;;✓;;;\n");
    expect($rows[0]->data)->toMatchArray(['tying' => 'yes', 'dressing' => 'no', 'tail' => 'not_looked', 'by' => 'm', 'note' => 'Loose']);
    $knot = Library::at(dirname(__DIR__, 3).'/packs')->knot('sheepshank');
    expect($rows[1]->data)->toMatchArray(['tying' => 'yes', 'dressing' => $knot->hasDressing ? 'not_looked' : 'not_applicable', 'tail' => $knot->hasTail ? 'yes' : 'not_applicable']);
});

it('says what is wrong with which row', function (string $row, string $says): void {
    $fault = resultRows("day,learner,knot,result,tying,measured_mm,rope_mm,rope_material,by,kind,meeting\n$row\n")[0]->fault;
    expect($fault === null ? '' : Catalogue::english()->say($fault))->toContain($says);
})->with([
    ['17.11.2026,Ada P.,bowline,has it', 'The day is "17.11.2026"'], ['2026-08-31,Ada P.,bowline,has it', 'from 2026-09-01, when the group began'], ['2026-11-25,Ada P.,bowline,has it', 'to today, 2026-11-24'],
    ['2026-11-17,Zoe A.,bowline,has it', 'no learner called "Zoe A."'], ['2026-11-17,,bowline,has it', 'The learner is missing'], ['2026-11-17,Ada P.,lover,has it', 'no knot called "lover"'],
    ['2026-11-17,Ada P.,bowline,', 'does not say how it was'], ['2026-11-17,Ada P.,bowline,splendid', 'The result is "splendid"'], ['2026-11-17,Ada P.,bowline,,perhaps', 'What is said of tying is "perhaps"'],
    ['2026-11-17,Ada P.,bowline,,yes,long', 'measured mm is "long"'], ['2026-11-17,Ada P.,bowline,has it,,,,,Wren', 'nobody called "Wren"'], ['2026-11-17,Ada P.,bowline,has it,,,,,,guess', 'The kind is "guess"'],
    ['2026-11-17,Ada P.,bowline,has it,,,,,,,2026-11-18', 'no meeting on "2026-11-18"'], ['2026-11-17,Ada P.,bowline,has it,,,,,,,,more', 'more on this row'],
]);

it('reads what a device measured', function (): void {
    $row = resultRows("day,learner,knot,tying,dressing,tail,measured_mm,measured_by,rope_mm,rope_material,rope_wet,took_s,device,device_seq,observed_at,id,about,kind\n2026-11-24,Ada P.,bowline,yes,yes,yes,140.5,gauge,10,polyester,yes,12.5,phone,7,2026-11-24T18:40:00.000Z,7f1e,4a2b,overrule\n")[0];
    expect($row->fault)->toBeNull()->and($row->data)->toMatchArray(['how' => 'measured', 'measured_mm' => 140.5, 'measured_by' => 'gauge', 'rope' => ['diameter_mm' => 10.0, 'material' => 'polyester', 'wet' => true], 'took_s' => 12.5, 'device' => 'phone', 'device_seq' => 7, 'id' => '7f1e', 'target' => '4a2b', 'kind' => 'overrule']);
});
