<?php

declare(strict_types=1);

use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\View;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Practice\Drawn;
use Compadre\Core\Practice\Table;
use Compadre\Core\Refusal;
use Compadre\Core\Topology\GaussCode;
use Compadre\Core\Words\Catalogue;
use Random\Engine\Mt19937;
use Random\Randomizer;

require_once __DIR__.'/Slowly.php';

function drawnJudge(): Drawn
{
    static $drawn = null;
    if ($drawn === null) {
        $library = Library::at(dirname(__DIR__, 3).'/packs');
        $drawn = new Drawn($library, KnotIndex::forLearners($library));
    }

    return $drawn;
}

/** @return array{array<string, list<array{int, bool}>>, list<int>} a code as a hand that follows it would draw it */
function asDrawn($knot, $method, GaussCode $code): array
{
    $ids = array_column(Table::of($knot, $method, View::Learner)['strands'], 'id');
    $visits = [];
    foreach ($code->strands as $number => $strand) {
        $visits[$ids[$number]] = $strand->visits;
    }

    return [$visits, array_values($code->turns)];
}

/** @return array{kind: string, says: string, parts_at: ?int} */
function said($knot, $method, GaussCode $code, View $view = View::Learner): array
{
    $said = drawnJudge()->says($knot, $method, $view, ...asDrawn($knot, $method, $code));

    return ['kind' => $said['kind'], 'says' => Catalogue::english()->say($said['says']), 'parts_at' => $said['parts_at']];
}

/** @return list<array{\Compadre\Core\Knots\KnotPack, \Compadre\Core\Knots\Method}> */
function drawable(): array
{
    return array_values(array_filter(ways(), fn (array $way): bool => $way[0]->hasFingerprint() && $way[1]->steps !== []));
}

/** The rope makes a curl in itself at one place, or a wobble of one strand over its neighbour: nothing that is not gone at a pull. */
function trembled(GaussCode $code, Randomizer $lots): GaussCode
{
    $ropes = array_keys(array_filter($code->strands, fn ($strand): bool => $strand->isRope));
    $number = $ropes[$lots->getInt(0, count($ropes) - 1)];
    $visits = $code->strands[$number]->visits;
    $at = $lots->getInt(0, count($visits));
    $new = count($code->turns);
    $over = $lots->getInt(0, 1) === 1;
    array_splice($visits, $at, 0, [[$new, $over], [$new, ! $over]]);
    $strands = $code->strands;
    $strands[$number] = $strands[$number]->with(array_values($visits));

    return new GaussCode($strands, [...$code->turns, $new => $lots->getInt(0, 1) === 1 ? 1 : -1]);
}

it('knows every knot again that is drawn as it is taught, by either hand, and with a curl too many', function (): void {
    $lots = new Randomizer(new Mt19937(3));
    foreach (drawable() as [$knot, $method]) {
        $right = KnotIndex::code($knot, $method);
        expect(said($knot, $method, $right)['kind'])->toBe('same', "$knot->id $method->id");
        expect(said($knot, $method, $right->mirrored(), View::Left)['kind'])->toBe('same', "$knot->id $method->id");
        expect(said($knot, $method, $right->mirrored())['kind'])->toBeIn(['same', 'equally-good', 'other-hand'], "$knot->id $method->id");
        expect(said($knot, $method, trembled(trembled($right, $lots), $lots)))->toBe(['kind' => 'same', 'says' => 'That is the '.lcfirst($knot->names[0]).'.', 'parts_at' => null], "$knot->id $method->id");
    }
});

it('says of any overs and unders what the judge says of them, and where they first part', function (): void {
    $lots = new Randomizer(new Mt19937(11));
    $cases = $named = $apart = 0;
    while ($cases < 250) {
        [$knot, $method] = drawable()[$lots->getInt(0, count(drawable()) - 1)];
        [$diagram] = drawnAs($knot, $method);
        $right = KnotIndex::code($knot, $method);
        $flips = array_values(array_filter(array_keys($diagram->crossings), fn (): bool => $lots->getInt(0, 4) === 0));
        if ($flips === []) {
            continue;
        }
        $cases++;
        $words = formWords($knot, $method, $flips);
        $outcome = comesTo($knot, $method, $words);
        $said = said($knot, $method, $right->flipped($flips));
        $where = "$knot->id $method->id ".implode(',', $flips);
        if ($outcome->isGood()) {
            expect($said['parts_at'])->toBeNull($where)->and($said['kind'])->toBe($outcome->kind->value, $where);

            continue;
        }
        if ($said['kind'] === 'other-hand') {
            expect($said['parts_at'])->toBeNull();

            continue;
        }
        expect($said['kind'])->toBe($outcome->kind->value, $where);
        $named += $outcome->knot === null ? 0 : 1;
        $apart += $outcome->kind->value === 'falls-out' ? 1 : 0;
        // The first along the ropes, in their order, that goes the other way.
        $first = null;
        foreach ($diagram->strands as $number => $strand) {
            foreach ($strand->kind->isRope() ? $right->strands[$number]->visits : [] as [$crossing]) {
                $first ??= in_array($crossing, $flips, true) ? $crossing : null;
            }
        }
        expect($said['parts_at'])->toBe($first, $where);
    }
    expect($named)->toBeGreaterThan(12)->and($apart)->toBeGreaterThan(12);
});

it('keeps what it says of the usual forms for a device without a network', function (): void {
    foreach (drawable() as [$knot, $method]) {
        $right = KnotIndex::code($knot, $method);
        $known = drawnJudge()->known($knot, $method, View::Learner, [[0], [1]]);
        expect($known[Drawn::key($right)]['kind'])->toBe('same');
        foreach ([[0], [1]] as $flips) {
            $code = $right->flipped($flips);
            $said = said($knot, $method, $code);
            $kept = $known[Drawn::key($code)];
            expect([$kept['kind'], Catalogue::english()->say($kept['says'])])->toBe([$said['kind'], $said['says']], "$knot->id $method->id");
            // Numbered as they are met: the same crossing.
            $met = [];
            foreach ($code->strands as $strand) {
                foreach ($strand->visits as [$crossing]) {
                    in_array($crossing, $met, true) || $met[] = $crossing;
                }
            }
            expect($kept['parts_at'] === null ? null : $met[$kept['parts_at']])->toBe($said['parts_at']);
        }
        // A left-handed table is the mirror image of the same.
        expect(drawnJudge()->known($knot, $method, View::Left, [])[Drawn::key($right->mirrored())]['kind'])->toBe('same');
    }
});

it('names no knot that is for leaders only, however it is drawn', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $secret = array_filter($library->all(), fn ($knot): bool => ! $knot->isForAll() && $knot->hasFingerprint());
    expect($secret)->not->toBe([]);
    foreach ($secret as $hidden) {
        foreach (array_filter(drawable(), fn (array $way): bool => array_map(fn ($one): string => $one->kind, KnotIndex::code(...$way)->strands) === array_map(fn ($one): string => $one->kind, KnotIndex::code($hidden, $hidden->methods[0])->strands)) as [$knot, $method]) {
            expect(mb_strtolower(said($knot, $method, KnotIndex::code($hidden, $hidden->methods[0]))['says']))->not->toContain(mb_strtolower($hidden->names[0]));
        }
    }
});

it('refuses what nobody can have drawn', function (array $visits, array $turns, string $field, string $allowed): void {
    $knot = Library::at(dirname(__DIR__, 3).'/packs')->knot('overhand');
    try {
        drawnJudge()->says($knot, $knot->methods[0], View::Learner, $visits, $turns);
    } catch (Refusal $refusal) {
        expect($refusal->field)->toStartWith($field)->and($refusal->allowed)->toContain($allowed);

        return;
    }
    expect(false)->toBeTrue('it was taken');
})->with([
    'a strand that is not there' => [['cord' => []], [], '/strands', 'rope'],
    'a crossing that is not there' => [['rope' => [[1, true]]], [1], '/strands/rope/0', 'from 0 to 0'],
    'a crossing met once' => [['rope' => [[0, true]]], [1], '/strands', 'once over and once under'],
    'a crossing over itself' => [['rope' => [[0, true], [0, true]]], [1], '/strands', 'once over and once under'],
    'what no table holds' => [['rope' => [[0, true], [1, true], [0, false], [1, false]]], [1, 1], '/turns', 'drawn on a table'],
    'a tangle' => [['rope' => []], array_fill(0, 61, 1), '/turns', 'at most 60'],
]);
