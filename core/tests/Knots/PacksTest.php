<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\DrawingLimits;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\Quality;
use Compadre\Core\Knots\Relax;
use Compadre\Core\Knots\StepPlan;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\BadgeShelf;
use Compadre\Core\Topology\Fingerprint;

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
    expect(array_keys($shelf->all()))->toBe(['first-knots', 'lantern-hand', 'rigger', 'useful-knots', 'green-captain', 'knots-at-work']);
});

it('refuses drawings that are not clear, and says where', function (Closure $spoil, string $says): void {
    $pack = Json::arrays(Json::file(packs().'/knots/square-knot.json'));
    $method = Method::from(Fields::of($spoil($pack['methods'][0])));
    expect(fn () => DrawingLimits::hold($method, 'square-knot.json'))
        ->toThrow(fn (Refusal $refusal) => expect($refusal->getMessage())->toStartWith('square-knot.json: /')->toContain(': method "right-over-left"')->toContain($says));
})->with([
    'flattened' => [fn (array $method) => flattened($method, 1.0, 0.4), 'crossing angle of the loose drawing'],
    'cramped' => [fn (array $method) => flattened($method, 0.5, 0.5), 'expected at least'],
    'the tight one a copy' => [fn (array $method) => copied($method, 0.45), 'more than the loose one made smaller'],
    'the tight one too long' => [fn (array $method) => copied($method, 0.9), 'at most 0.60'],
]);

/** The loose layout stretched. */
function flattened(array $method, float $across, float $down): array
{
    foreach ($method['strands'] as $n => $strand) {
        $method['strands'][$n]['points'] = array_map(fn (array $point): array => [$point[0] * $across, $point[1] * $down], $strand['points']);
    }

    return $method;
}

/** The tight layout made from the loose one. */
function copied(array $method, float $scale): array
{
    foreach ($method['strands'] as $n => $strand) {
        $method['strands'][$n]['tight'] = array_map(fn (array $point): array => [$point[0] * $scale, $point[1] * $scale], $strand['points']);
    }

    return $method;
}

it('measures a drawing by hand-made figures', function (): void {
    // Two straight ropes crossing at 60 degrees, and a third two widths beside one of them.
    $line = fn (array $from, array $to, string $word): array => ['kind' => 'rope', 'word' => $word, 'points' => [$from, [($from[0] + $to[0]) / 2, ($from[1] + $to[1]) / 2], $to]];
    $method = Method::from(Fields::of(['id' => 'x', 'name' => 'X', 'steps' => [], 'strands' => [
        ['id' => 'a'] + $line([-10, 0], [10, 0], 'o'), ['id' => 'b'] + $line([-5, -5 * sqrt(3)], [5, 5 * sqrt(3)], 'uu'), ['id' => 'c'] + $line([-10, 2], [10, 2], 'o'),
    ]]));
    $quality = Quality::of(DiagramBuilder::loose($method));
    expect($quality->angle)->toEqualWithDelta(60.0, 0.01);
    expect($quality->apart)->toEqualWithDelta(2.0, 0.01);
    expect($quality->spacing)->toEqualWithDelta(2 / sin(deg2rad(60)), 0.01);
    // A circle of radius 4 bends to 4.
    $ring = Method::from(Fields::of(['id' => 'x', 'name' => 'X', 'steps' => [], 'strands' => [
        ['id' => 'a', 'kind' => 'rope', 'word' => '', 'points' => array_map(fn (int $n): array => [4 * cos($n / 8), 4 * sin($n / 8)], range(0, 36))],
    ]]));
    expect(Quality::of(DiagramBuilder::loose($ring))->bend)->toEqualWithDelta(4.0, 0.3);
});

it('lets declared pairs lie closer than others, and not too close', function (float $beside, bool $declared, ?string $says): void {
    $line = fn (string $id, float $y): array => ['id' => $id, 'kind' => 'rope', 'word' => '', 'points' => [[-10, $y], [0, $y], [10, $y]]];
    $pair = ['a' => ['strand' => 'a', 'from' => 0, 'to' => 2], 'b' => ['strand' => 'b', 'from' => 0, 'to' => 2]];
    $method = Method::from(Fields::of(['id' => 'x', 'name' => 'X', 'steps' => [], 'strands' => [$line('a', 0), $line('b', $beside)], 'pairs' => $declared ? [$pair] : []]));
    $hold = fn () => DrawingLimits::hold($method, 'x.json');
    if ($says === null) {
        $hold();
        expect(Quality::of(DiagramBuilder::loose($method), $method->pairs)->paired)->toEqualWithDelta($declared ? $beside : INF, 1e-6);
    } else {
        expect($hold)->toThrow(fn (Refusal $refusal) => expect($refusal->getMessage())->toContain($says));
    }
})->with([
    'a pair at 1.2' => [1.2, true, null],
    'a pair at 0.9' => [0.9, true, 'declared to lie side by side'],
    'no pair at 1.2' => [1.2, false, 'do not cross'],
    'no pair at 1.7' => [1.7, false, null],
]);

it('eases a cramped drawing without touching a crossing', function (): void {
    $pack = Json::arrays(Json::file(packs().'/knots/figure-eight.json'));
    $method = Method::from(Fields::of(flattened($pack['methods'][0], 0.45, 0.45)));
    $before = Quality::of(DiagramBuilder::loose($method));
    expect($before->apart)->toBeLessThan(1.6);
    $points = Relax::loose()->points($method, false, 60);
    $eased = $pack['methods'][0];
    $eased['strands'][0]['points'] = $points['rope'];
    $after = DiagramBuilder::loose(Method::from(Fields::of($eased)));
    expect($after->code())->toEqual(DiagramBuilder::loose($method)->code());
    $short = fn (Quality $quality): float => max(0, 1.75 - $quality->apart) + max(0, (50 - $quality->angle) / 50) + max(0, 1.25 - $quality->bend);
    expect($short(Quality::of($after)))->toBeLessThan($short($before));
});

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
        if ($states === []) {
            // Wrong forms and forms only to be recognised are drawn and not taught.
            expect($pack->isMistake || $method->differs !== null || $pack->audience === 'leaders')->toBeTrue();

            continue;
        }
        expect(count($states))->toBeGreaterThanOrEqual(3);
        foreach ($states as $number => $state) {
            expect($state->plan->say)->toMatch('/\.$/');
            $still = in_array($state->plan->move, ['dress', 'pull', 'set'], true) || in_array($number + 1, array_column($method->strands, 'appears'), true);
            expect($state->moved !== [] || $still)->toBeTrue("$id: a step moves something, or works the knot up");
        }
        expect(strlen((string) gzencode(Json::write(Drawing::loose(DiagramBuilder::loose($method))->toArray()))))->toBeLessThan(40_000);
    }
})->with(fn (): array => Library::at(packs())->ids());

it('shows the knot the last pull leaves, and not the slip loop it was', function (string $id, string $collar): void {
    $pack = Library::at(packs())->knot($id);
    $before = DiagramBuilder::loose($pack->method('slip-loop'), $pack->file);
    [$after, $isTight] = $pack->finished($pack->method('slip-loop')) ?? throw new LogicException('nothing to show');
    $key = static fn (Diagram $diagram): string => Fingerprint::of($diagram->code())->key();
    expect($key($after))->toBe($key($before))->and($isTight)->toBeTrue();
    expect($after)->toEqual(DiagramBuilder::tight($pack->method($collar), $pack->file));
    expect($pack->finished($pack->methods[0]))->toEqual([DiagramBuilder::tight($pack->methods[0], $pack->file), true]);
    // Half-way the bight has closed on what goes through it: still the slip loop, a fraction of its length.
    $half = $pack->halfWay($pack->method('slip-loop')) ?? throw new LogicException('nothing half-way');
    expect($key($half))->toBe($key($before));
    [$laidOut, $drawnIn] = array_map(static function (Diagram $diagram): float {
        $ropes = array_filter($diagram->strands, static fn (Strand $strand): bool => $strand->id !== 'thick');

        return array_sum(array_map(static fn (Strand $strand): float => $strand->curve->length(), $ropes));
    }, [$before, $half]);
    expect($drawnIn)->toBeLessThan(0.5 * $laidOut);
    expect(array_map(static fn (StepPlan $step): array => [$step->half, $step->tight], array_slice($pack->method('slip-loop')->steps, -2)))->toBe([[true, false], [false, true]]);
    expect($pack->halfWay($pack->methods[0]))->toBeNull();
})->with([['bowline', 'tail-outside'], ['sheet-bend', 'tucked']]);

it('names the file of a pack with a fault', function (Closure $spoil, string $says): void {
    $folder = sys_get_temp_dir().'/packs-'.bin2hex(random_bytes(5));
    mkdir("$folder/knots", 0o700, true);
    foreach (['overhand', 'bowline-falling'] as $needed) {
        copy(packs()."/knots/$needed.json", "$folder/knots/$needed.json");
    }
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
    'an end resting on another strand' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['strands' => [['points' => [38 => [4.2, 6.6]]]]]]]), 'distance between strands that do not cross'],
    'a part on a rope that is not there' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['parts' => [['strand' => 'cord']]]]]), '/methods/0/parts/0'],
    'a check that looks at nothing' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['look' => ['tying' => ['elbow']]]]]), '/methods/0/look/tying'],
    'a finish that is no method' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['finish' => 'flipped']]]), 'tail-outside'],
    'a finish that is itself' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['finish' => $pack['methods'][0]['id']]]]), '/finish'],
    'half-way through no pull' => [fn (array $pack) => array_replace_recursive($pack, ['methods' => [['steps' => [['half' => true]]]]]), '/steps/0/half'],
    'an unknown prerequisite' => [fn (array $pack) => ['prerequisites' => ['sailor']] + $pack, '/prerequisites/0'],
    'pulled at beside a knot that is not there' => [fn (array $pack) => ['pulled_beside' => ['sailor']] + $pack, '/pulled_beside/0'],
    'a name that is not its file' => [fn (array $pack) => ['id' => 'bowlin'] + $pack, '/id'],
    'no minutes' => [fn (array $pack) => array_diff_key($pack, ['minutes' => 1]), '/minutes'],
    'a text for minutes' => [fn (array $pack) => ['minutes' => '9'] + $pack, '/minutes'],
    'a field nobody knows' => [fn (array $pack) => $pack + ['colour' => 'red'], '/colour'],
]);
