<?php

declare(strict_types=1);

use Compadre\Core\Checking\VerdictTable;
use Compadre\Core\Compute\Command;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\TailClass;
use Compadre\Core\Rope\Material;
use Compadre\Core\Rope\Measure;
use Compadre\Core\Rope\RopeInHand;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Rope\TailSchool;
use Compadre\Core\Rope\TailVerdict;
use Compadre\Core\Words\Catalogue;

it('says row by row what the computation says', function (string $knot, int $rows): void {
    $folder = dirname(__DIR__, 3).'/packs';
    $tails = TailRule::fromPack(Fields::of(Json::arrays(Json::file("$folder/materials/rope.json"))));
    $command = new Command($folder);
    $table = VerdictTable::of(Library::at($folder)->knot($knot), $tails, Catalogue::english());
    expect($table)->toHaveCount($rows);
    foreach ($table as $seen => $row) {
        [$tying, $dressing, $tail, $prompts, $test] = explode(',', $seen) + [4 => 'not_looked'];
        $answer = json_decode($command->run('verdict', Json::write(['knot' => $knot, 'tying' => $tying, 'dressing' => $dressing, 'tail' => $tail, 'prompts' => (int) $prompts, 'test' => $test, 'now' => '2026-11-24'])), true);
        expect([$row['verdict'], $row['next']])->toBe([$answer['verdict'], $answer['next']], "$knot $seen");
    }
})->with([['square-knot', 162], ['bowline', 162], ['taut-line-hitch', 162], ['larks-head', 54], ['sheet-bend', 162]]);

it('draws the lines between short, too close to tell and long enough where the rule does', function (): void {
    $folder = dirname(__DIR__, 3).'/packs';
    $tails = TailRule::fromPack(Fields::of(Json::arrays(Json::file("$folder/materials/rope.json"))));
    $rope = RopeInHand::of(9, Material::Nylon);
    $required = $tails->required(TailClass::Hitch, $rope, TailSchool::Longer, false)->millimetres;
    foreach (VerdictTable::limits($required, 9) as $by => [$short, $enough]) {
        for ($measured = 40.0; $measured <= 160; $measured += 0.5) {
            $verdict = $tails->judge(TailClass::Hitch, $rope, TailSchool::Longer, false, $measured, Measure::from($by))->verdict;
            expect($measured < $short)->toBe($verdict === TailVerdict::Short, "$measured by $by")
                ->and($measured > $enough)->toBe($verdict === TailVerdict::Good, "$measured by $by");
        }
    }
});
