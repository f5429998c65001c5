<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Knots\Curve;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Drawing;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\BadgeShelf;

function packs(): string
{
    return dirname(__DIR__, 3).'/packs';
}

function packSchema(string $kind): array
{
    return Json::arrays(Json::file(packs()."/schema/$kind.schema.json"));
}

function wordsOf(string $knot): array
{
    $pack = Library::at(packs())->knot($knot);
    $diagram = DiagramBuilder::loose($pack->methods[0], $pack->file);
    $words = [];
    foreach ($diagram->strands as $number => $strand) {
        $words[$strand->id] = implode('', array_map(fn ($visit): string => $visit->over ? 'o' : 'u', $diagram->visits($number)));
    }

    return $words;
}

it('holds every knot pack to its schema, its words and its neighbours', function (): void {
    Library::at(packs())->verify(packSchema('knot'));
    expect(Library::at(packs())->ids())->toContain('overhand', 'figure-eight', 'square-knot', 'two-half-hitches', 'clove-hitch', 'bowline');
});

it('holds every badge to its schema and to knots that exist', function (): void {
    $shelf = BadgeShelf::at(packs());
    $shelf->verify(packs(), packSchema('badge'), Library::at(packs()));
    expect(array_keys($shelf->all()))->toBe(['lantern-hand', 'rigger']);
});

it('keeps the measures of a clear drawing', function (string $id): void {
    $pack = Library::at(packs())->knot($id);
    foreach ($pack->methods as $method) {
        $loose = DiagramBuilder::loose($method, $pack->file);
        $tight = DiagramBuilder::tight($method, $pack->file);
        foreach ($loose->crossings as $crossing) {
            expect(rad2deg($crossing->angle))->toBeGreaterThanOrEqual(40, "$id: angle");
        }
        foreach ($tight->crossings as $crossing) {
            expect(rad2deg($crossing->angle))->toBeGreaterThanOrEqual(24, "$id: tight angle");
        }
        expect(ropeLength($tight))->toBeLessThanOrEqual(0.72 * ropeLength($loose), "$id: tight length");
        expect(count($tight->crossings))->toBe(count($loose->crossings));
    }
})->with(fn (): array => Library::at(packs())->ids());

function ropeLength(Diagram $diagram): float
{
    return array_sum(array_map(fn ($strand): float => $strand->kind->isRope() ? $strand->curve->length() : 0.0, $diagram->strands));
}

it('keeps strands that do not cross apart', function (string $id): void {
    $pack = Library::at(packs())->knot($id);
    foreach ($pack->methods as $method) {
        expect(nearest(DiagramBuilder::loose($method)))->toBeGreaterThan(1.4, $id);
    }
})->with(fn (): array => Library::at(packs())->ids());

/** The least distance between parts of ropes that lie more than four widths apart along the rope and do not cross there. */
function nearest(Diagram $diagram): float
{
    $least = INF;
    foreach ($diagram->strands as $i => $a) {
        foreach ($diagram->strands as $j => $b) {
            if ($j < $i || ! $a->kind->isRope() || ! $b->kind->isRope()) {
                continue;
            }
            for ($s = 0.0; $s < $a->curve->length(); $s += 0.4) {
                for ($t = $i === $j ? $s + 4.0 : 0.0; $t < $b->curve->length(); $t += 0.4) {
                    $distance = $a->curve->pointAt($s)->distance($b->curve->pointAt($t));
                    if ($distance < $least && ! crossesNear($diagram, $a->curve, $s, $b->curve, $t)) {
                        $least = $distance;
                    }
                }
            }
        }
    }

    return $least;
}

function crossesNear(Diagram $diagram, Curve $a, float $s, Curve $b, float $t): bool
{
    foreach ($diagram->crossings as $crossing) {
        if ($crossing->at->distance($a->pointAt($s)) < 3.2 && $crossing->at->distance($b->pointAt($t)) < 3.2) {
            return true;
        }
    }

    return false;
}

// Overs and unders as the catalogue has them.
it('draws the figure eight alternating, from the standing end', fn () => expect(wordsOf('figure-eight')['rope'])->toBe('ouououou'));

it('draws the overhand alternating', fn () => expect(wordsOf('overhand')['rope'])->toBe('uououo'));

it('draws the square knot so that each rope reads over, under, over, over, under, over, or its partner', function (): void {
    $words = wordsOf('square-knot');
    expect($words['right'])->toBe('ouoouo');
    expect(strrev($words['right']))->toBe('ouoouo');
    expect($words['left'])->toBe('uouuou');
});

it('draws the clove hitch with two turns, both ends under the X', function (): void {
    $words = wordsOf('clove-hitch');
    expect($words['rope'])->toBe('uouooouou');
    // Where the rope meets the pole: front, back, front, back, front.
    $pack = Library::at(packs())->knot('clove-hitch');
    $diagram = DiagramBuilder::loose($pack->methods[0]);
    $pole = array_key_first(array_filter($diagram->strands, fn ($strand): bool => $strand->id === 'pole'));
    $rope = 1 - $pole;
    $turns = array_values(array_filter($diagram->visits($rope), fn ($visit): bool => $visit->other === $pole));
    expect(array_map(fn ($visit): bool => $visit->over, $turns))->toBe([true, false, true, false, true]);
});

it('draws the bowline with its collar behind the standing part and the small loop over it', function (): void {
    $word = wordsOf('bowline')['rope'];
    // From the load: over the collar, under the loop's crossing.
    expect(substr($word, 0, 2))->toBe('ou');
    // The end: up under the small loop, over its rim, behind the standing part, back over, over, under.
    expect(substr($word, -6))->toBe('uouoou');
});

it('gives every step words, and every drawing a text', function (string $id): void {
    $pack = Library::at(packs())->knot($id);
    foreach ($pack->methods as $method) {
        $states = StepStates::of($method, DiagramBuilder::loose($method, $pack->file), $pack->file);
        expect(count($states))->toBeGreaterThanOrEqual(3);
        foreach ($states as $state) {
            expect($state->plan->say)->toMatch('/\.$/');
            expect($state->moved !== [] || $state->plan->tight)->toBeTrue("$id: a step moves something or sets the knot");
        }
        expect(strlen((string) gzencode(Json::write(Drawing::loose(DiagramBuilder::loose($method))->toArray()))))->toBeLessThan(40_000);
    }
})->with(fn (): array => Library::at(packs())->ids());

it('names the file of a pack with a fault', function (Closure $spoil, string $says): void {
    $folder = sys_get_temp_dir().'/packs-'.bin2hex(random_bytes(5));
    mkdir("$folder/knots", 0o700, true);
    copy(packs().'/knots/overhand.json', "$folder/knots/overhand.json");
    $pack = Json::arrays(Json::file(packs().'/knots/bowline.json'));
    file_put_contents("$folder/knots/bowline.json", Json::write($spoil($pack)));
    try {
        Library::at($folder)->verify(packSchema('knot'));
        $this->fail('This pack should have been refused.');
    } catch (Refusal $refusal) {
        expect($refusal->getMessage())->toContain('bowline.json')->toContain($says);
    } finally {
        exec('rm -rf '.escapeshellarg($folder));
    }
})->with([
    'a word too short' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['strands' => [['word' => 'ouu']]]]]), 'strand "rope"'],
    'one letter turned' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['strands' => [['word' => 'uuuoouououoou']]]]]), 'strand "rope"'],
    'an unknown prerequisite' => [fn (array $pack) => ['prerequisites' => ['sailor']] + $pack, '/prerequisites/0'],
    'a name that is not its file' => [fn (array $pack) => ['id' => 'bowlin'] + $pack, '/id'],
    'no minutes' => [fn (array $pack) => array_diff_key($pack, ['minutes' => 1]), '/minutes'],
    'a text for minutes' => [fn (array $pack) => ['minutes' => '9'] + $pack, '/minutes'],
    'a field nobody knows' => [fn (array $pack) => $pack + ['colour' => 'red'], '/colour'],
]);
