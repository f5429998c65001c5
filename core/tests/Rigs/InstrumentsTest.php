<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Schema;
use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Bundle;
use Compadre\Core\Rigs\Friction;
use Compadre\Core\Rigs\Line;
use Compadre\Core\Rigs\Packed;
use Compadre\Core\Rigs\Rigged;
use Compadre\Core\Rigs\Rigging;
use Compadre\Core\Rigs\RigShelf;
use Compadre\Core\Rope\Material;
use Compadre\Core\Words\Catalogue;

require_once __DIR__.'/Workbench.php';

function instruments(): RigShelf
{
    static $shelf = null;

    return $shelf ??= RigShelf::instruments(dirname(__DIR__, 3).'/packs', rigLibrary());
}

function read(string $instrument, array $answers = [], float $d = 6, Material $material = Material::Polyester): Rigged
{
    $pack = instruments()->rig($instrument);

    return Rigging::of($pack, Fields::of($answers + $pack->starts(), '/answers'), ropeAtWork($d, $material));
}

it('holds all five to their schema and their units, each with one handle', function (): void {
    expect(instruments()->ids())->toBe(['bundle', 'extension', 'friction', 'hauling', 'line']);
    $schema = Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/schema/instrument.schema.json'));
    foreach (instruments()->ids() as $id) {
        $pack = Json::file(dirname(__DIR__, 3)."/packs/instruments/$id.json");
        Schema::hold($pack, $schema);
        expect($pack->id)->toBe($id)->and(read($id)->sketch->handles)->toHaveCount(1)->and(read($id)->members)->toBe([])->and(read($id)->advice)->not->toBe([]);
    }
});

it('says of a line what the core’s own formula says, over seeded cases', function (): void {
    mt_srand(14);
    foreach (range(1, 300) as $case) {
        [$span, $load] = [mt_rand(1000, 50000), mt_rand(1, 2000)];
        $sag = mt_rand(20, min(3000, intdiv($span, 2)));
        $how = mt_rand(0, 1) === 0 ? 'middle' : 'even';
        $read = read('line', ['span_mm' => $span, 'sag_mm' => $sag, 'load_n' => $load, 'load' => $how]);
        $core = $how === 'middle' ? Line::loadedAtTheMiddle($span, $sag, $load) : Line::loadedEvenly($span, $sag, $load / $span * 1000);
        expect($read->figures['pull_n'])->toEqualWithDelta($core->tension, 0.001);
    }
});

it('says of turns what a capstan says, wet or dry', function (Material $material): void {
    $pack = Friction::fromPack(Fields::of(Json::arrays(Json::file(dirname(__DIR__, 3).'/packs/materials/rope.json'))));
    foreach (range(0, 10) as $halves) {
        foreach ([false, true] as $wet) {
            $hold = 600 / exp($pack->coefficient($material, 'wood') * ($wet ? 0.85 : 1) * M_PI * $halves);
            expect(read('friction', ['half_turns' => $halves, 'rain' => $wet], 6, $material)->figures['hold_n'])->toEqualWithDelta($hold, 0.001);
        }
    }
})->with(Material::cases());

// Section 5 of the rules gives the gain by material.
it('gains what the rules say', function (Material $material, float $gain): void {
    $read = read('hauling', ['pull_n' => 200], 8, $material);
    expect($read->figures['gain'])->toEqualWithDelta($gain, 0.006)->and($read->figures['line_n'])->toEqualWithDelta(200 * $read->figures['gain'], 0.2);
})->with([[Material::Natural, 1.55], [Material::Polyester, 1.78], [Material::Nylon, 1.86], [Material::Polypropylene, 1.93], [Material::Hmpe, 2.25]]);

it('draws poles that touch and do not overlap, within their ring', function (int $poles): void {
    $middles = Packed::poles($poles, 100);
    expect($middles)->toHaveCount($poles)->and(read('bundle', ['poles' => $poles])->figures['envelope_mm'])->toEqualWithDelta(Bundle::envelope($poles, 50), 0.001);
    foreach ($middles as $n => [$x, $y]) {
        expect(hypot($x, $y) + 50)->toBeLessThanOrEqual(Bundle::envelope($poles, 100) / 2 + 0.25);
        foreach (array_slice($middles, $n + 1) as [$u, $v]) {
            expect(hypot($x - $u, $y - $v))->toBeGreaterThanOrEqual(99.75);
        }
    }
    $circles = array_filter(read('bundle', ['poles' => $poles])->sketch->marks, static fn (array $mark): bool => $mark['as'] === 'pole');
    expect($circles)->toHaveCount($poles);
})->with(range(1, 20));

it('joins two ropes as the rules say', function (float $other, string $knot, string $says): void {
    $read = read('extension', ['other_mm' => $other], 6);
    expect($read->knots[0]->knot)->toBe($knot)->and(implode(' ', array_map(Catalogue::english()->say(...), $read->advice)))->toContain($says);
})->with([[6, 'sheet-bend', 'About one thickness'], [9, 'sheet-bend', 'the thicker rope'], [10, 'double-sheet-bend', 'the thicker rope'], [20, 'double-sheet-bend', 'a poor idea']]);

it('refuses what cannot be beside its answer', function (string $instrument, array $answers, string $field): void {
    expect(fn () => read($instrument, $answers))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe($field));
})->with([
    'a sag over half the span' => ['line', ['span_mm' => 2000, 'sag_mm' => 1001], '/answers/sag_mm'],
    'no sag' => ['line', ['sag_mm' => 0], '/answers/sag_mm'],
    'half a turn’s half' => ['friction', ['half_turns' => 1.5], '/answers/half_turns'],
    'too many poles' => ['bundle', ['poles' => 21], '/answers/poles'],
    'no rope' => ['extension', ['other_mm' => 0], '/answers/other_mm'],
]);

it('ties no poles thinner than the rope', function (): void {
    expect(fn () => read('bundle', ['pole_mm' => 10], 12))->toThrow(Refusal::class, 'thinner than the rope');
});
