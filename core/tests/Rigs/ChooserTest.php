<?php

declare(strict_types=1);

use Compadre\Core\Compute\ChooseOperation;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Choosing\Choice;
use Compadre\Core\Rigs\Choosing\Chooser;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rope\TailRule;
use Compadre\Core\Words\Catalogue;

require_once __DIR__.'/Workbench.php';

function chosen(array $job): Choice
{
    static $chooser = null;
    $pack = Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json')));
    $chooser ??= new Chooser(rigLibrary(), TailRule::fromPack($pack), Friction::fromPack($pack));

    return $chooser->choose(ChooseOperation::job(Fields::of($job + ['a' => ['kind' => 'rope'], 'load' => 'steady', 'undo' => 'any'])));
}

/** @return list<string> */
function answered(array $job): array
{
    return array_column(chosen($job)->answers, 'knot');
}

function rope(float $d = 8, string $material = 'polyester'): array
{
    return ['kind' => 'rope', 'diameter_mm' => $d, 'material' => $material];
}

it('names the knot a good hand would take', function (array $job, string $knot): void {
    expect(answered($job)[0])->toBe($knot);
})->with([
    'equal ropes' => [['task' => 'join', 'a' => rope(), 'b' => rope()], 'sheet-bend'],
    'unequal ropes' => [['task' => 'join', 'a' => rope(12), 'b' => rope(8)], 'sheet-bend'],
    'very unequal ropes' => [['task' => 'join', 'a' => rope(14), 'b' => rope(8)], 'double-sheet-bend'],
    'hopelessly unequal ropes' => [['task' => 'join', 'a' => rope(25), 'b' => rope(8)], 'bowline'],
    'slippery ropes' => [['task' => 'join', 'a' => rope(8, 'polypropylene'), 'b' => rope()], 'double-sheet-bend'],
    'polyester, wet' => [['task' => 'join', 'a' => rope(), 'b' => rope(), 'wet' => true], 'double-sheet-bend'],
    'tape' => [['task' => 'join', 'a' => ['kind' => 'tape'], 'b' => ['kind' => 'tape']], 'water-knot'],
    'a rope to a cover’s eye' => [['task' => 'join', 'a' => rope(), 'b' => ['kind' => 'eye']], 'sheet-bend'],
    'a loop' => [['task' => 'loop', 'a' => rope(), 'undo' => 'after_load'], 'bowline'],
    'a loop that is shaken' => [['task' => 'loop', 'a' => rope(), 'load' => 'shaking'], 'figure-eight-loop'],
    'to a post' => [['task' => 'hitch', 'a' => rope(), 'b' => ['kind' => 'pole']], 'round-turn-and-two-half-hitches'],
    'to a ring, gone at a pull' => [['task' => 'hitch', 'a' => rope(), 'b' => ['kind' => 'ring'], 'undo' => 'at_a_pull'], 'round-turn-and-two-half-hitches'],
    'to a log that is dragged' => [['task' => 'hitch', 'a' => rope(), 'b' => ['kind' => 'bundle']], 'timber-hitch'],
    'a guy' => [['task' => 'adjust', 'a' => rope(), 'b' => ['kind' => 'pole']], 'taut-line-hitch'],
    'a parcel' => [['task' => 'bind', 'a' => rope(), 'b' => ['kind' => 'bundle']], 'square-knot'],
    'a parcel that is shaken' => [['task' => 'bind', 'a' => rope(), 'b' => ['kind' => 'bundle'], 'load' => 'shaking'], 'constrictor'],
    'a stop' => [['task' => 'stop', 'a' => rope()], 'figure-eight'],
    'poles' => [['task' => 'lash', 'a' => ['kind' => 'pole'], 'b' => ['kind' => 'pole']], 'square-lashing'],
    'slack under pull' => [['task' => 'shorten', 'a' => rope()], 'sheepshank'],
    'slack that comes and goes' => [['task' => 'shorten', 'a' => rope(), 'load' => 'on_off'], 'figure-eight-loop'],
]);

it('says why the tempting ones are left out', function (array $job, string $knot, string $why): void {
    expect(array_column(chosen($job)->leftOut, 'reason', 'knot'))->toHaveKey($knot)->and(Catalogue::english()->say(array_column(chosen($job)->leftOut, 'reason', 'knot')[$knot]))->toContain($why);
})->with([
    'the square knot as a join' => [['task' => 'join', 'a' => rope(), 'b' => rope()], 'square-knot', 'binding only'],
    'the sheet bend in slippery rope' => [['task' => 'join', 'a' => rope(8, 'hmpe'), 'b' => rope()], 'sheet-bend', 'double'],
    'the overhand loop, that has to come undone' => [['task' => 'loop', 'a' => rope(), 'undo' => 'after_load'], 'overhand-loop', 'jams'],
    'the slip loop, that closes' => [['task' => 'loop', 'a' => rope()], 'slip-loop', 'closes up'],
    'the half hitch alone' => [['task' => 'hitch', 'a' => rope(), 'b' => ['kind' => 'pole']], 'half-hitch', 'not secure alone'],
    'the clove hitch that is shaken' => [['task' => 'hitch', 'a' => rope(), 'b' => ['kind' => 'pole'], 'load' => 'shaking'], 'clove-hitch', 'works loose'],
]);

it('says turns for the rope in hand', function (): void {
    expect(chosen(['task' => 'adjust', 'a' => rope(), 'b' => ['kind' => 'pole']])->answers[0]['turns'])->toBe(2.0)
        ->and(chosen(['task' => 'adjust', 'a' => rope(8, 'nylon'), 'b' => ['kind' => 'pole']])->answers[0]['turns'])->toBe(3.0);
});

it('lets those who tie it have a say', function (): void {
    $job = ['task' => 'hitch', 'a' => rope(), 'b' => ['kind' => 'pole']];
    expect(answered($job + ['has' => []])[0])->not->toBe(answered($job + ['has' => ['clove-hitch', 'half-hitch']])[0])
        ->and(answered($job + ['has' => ['clove-hitch']])[0])->toBe('clove-hitch');
    expect(Catalogue::english()->say(chosen($job + ['has' => ['clove-hitch']])->answers[0]['reason']))->toContain('They have it already');
});

it('answers every job that anything is tied for, with what fits or with what comes nearest, and says which', function (): void {
    $knots = array_filter(rigLibrary()->all(), static fn ($knot): bool => $knot->isTaught());
    $jobs = $refused = 0;
    foreach (ChooseOperation::TASKS as $task) {
        foreach (ChooseOperation::THINGS as $a) {
            foreach ([null, ...ChooseOperation::THINGS] as $b) {
                foreach (ChooseOperation::LOADS as $load) {
                    foreach (ChooseOperation::UNDOING as $undo) {
                        $jobs++;
                        $slippery = $jobs % 2 === 0;
                        $job = ['task' => $task, 'a' => ['kind' => $a] + ($slippery ? ['material' => 'hmpe'] : []), 'load' => $load, 'undo' => $undo] + ($b === null ? [] : ['b' => ['kind' => $b]]);
                        try {
                            $choice = chosen($job);
                        } catch (Refusal $refusal) {
                            $refused++;
                            expect($refusal->field)->toBeIn(['/a/kind', '/b/kind'])->and($refusal->allowed)->toContain($task);

                            continue;
                        }
                        $names = array_column($choice->answers, 'knot');
                        expect(count($names))->toBeGreaterThanOrEqual(1)->toBeLessThanOrEqual(3)->and(array_unique($names))->toBe($names)->and(array_intersect($names, array_column($choice->leftOut, 'knot')))->toBe([]);
                        foreach ($choice->answers as $answer) {
                            $knot = $knots[$answer['knot']];
                            $uses = array_filter($knot->uses->goodFor, static fn ($use): bool => $use->task === $task && $use->method === $answer['method']);
                            $pulls = array_filter($uses, static fn ($use): bool => $use->atAPull) !== [];
                            // What the packs say, held against the job once more in the plainest way.
                            $fits = in_array($load, $knot->uses->loads, true)
                                && ($undo === 'any' || $pulls || ($undo === 'after_load' ? $knot->uses->undoesAfterLoad : $knot->uses->undoesAtAPull))
                                && (! $slippery || ! in_array($a, ['rope', 'tape'], true) || $knot->uses->inSlippery || array_filter($uses, static fn ($use): bool => $use->inSlippery) !== []);
                            expect($uses)->not->toBe([])->and($answer['reason']->code === 'rigs.nothing_fits')->toBe(! $fits, json_encode($job).' '.$answer['knot']);
                        }
                        foreach ($choice->leftOut as $left) {
                            expect(Catalogue::english()->say($left['reason']))->not->toBe('')->and($knots)->toHaveKey($left['knot']);
                        }
                    }
                }
            }
        }
    }
    expect($refused)->toBeLessThan($jobs / 2);
});

it('has a use or a warning for every knot that is taught and ties something', function (): void {
    $without = array_keys(array_filter(rigLibrary()->all(), static fn ($knot): bool => $knot->isTaught() && $knot->uses->goodFor === [] && $knot->uses->badFor === []));
    // Neither ties anything to anything by itself.
    expect($without)->toBe(['back-up-overhand']);
});
