<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Hold;
use Compadre\Core\Knots\Library;
use Compadre\Core\Mistakes\ErrorKind;
use Compadre\Core\Mistakes\Found;
use Compadre\Core\Mistakes\KnotIndex;
use Compadre\Core\Mistakes\MistakeFinder;
use Compadre\Core\Mistakes\Naming;
use Compadre\Core\Mistakes\TyingOrder;
use Compadre\Core\Mistakes\WrongForm;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Catalogue;

function knotLibrary(): Library
{
    static $library = null;

    return $library ??= Library::at(dirname(__DIR__, 3).'/packs');
}

/** Made once: every knot is drawn and fingerprinted for it. */
function knotIndex(): KnotIndex
{
    static $index = null;

    return $index ??= KnotIndex::of(knotLibrary());
}

/** @return list<Found> */
function mistakesOf(string $knot, ?string $method = null, ?Library $library = null): array
{
    $index = $library === null ? knotIndex() : KnotIndex::of($library);
    $library ??= knotLibrary();

    return (new MistakeFinder($library, $index))->of($library->knot($knot), $library->knot($knot)->method($method));
}

function outcomes(string $knot, ?string $method = null): array
{
    $found = [];
    foreach (mistakesOf($knot, $method) as $one) {
        $found[$one->slip->id] = trim($one->becomes->key());
    }

    return $found;
}

it('turns each knot into what it becomes', function (string $knot, ?string $method, array $expected): void {
    expect(array_intersect_key(outcomes($knot, $method), $expected))->toEqual($expected);
})->with([
    'square knot' => ['square-knot', null, [
        'second-half' => 'knot granny-knot', 'ends-exchanged-0' => 'knot thief-knot', 'ends-exchanged-1' => 'knot thief-knot',
        'second-half-ends-0' => 'knot grief-knot', 'second-half-ends-1' => 'knot grief-knot', 'ends-exchanged-0-1' => 'same',
    ]],
    'figure eight' => ['figure-eight', null, ['half-wrap-missed-0-1' => 'knot overhand', 'flip-0' => 'falls-out', 'flip-3' => 'falls-out', 'wrap-missed-0-1' => 'falls-out', 'ends-exchanged-0' => 'same']],
    'overhand' => ['overhand', null, ['flip-0' => 'falls-out', 'flip-1' => 'falls-out', 'flip-2' => 'falls-out']],
    'two half hitches' => ['two-half-hitches', null, ['second-half' => 'knot reversed-half-hitches']],
    'clove hitch' => ['clove-hitch', null, ['second-half' => 'knot larks-head', 'flip-6' => 'knot plain-coil', 'flip-5' => 'knot plain-coil']],
    'bowline' => ['bowline', null, ['flip-1' => 'knot bowline-slipping', 'last-tuck-strand-0-6' => 'knot bowline-falling', 'last-tuck-round-0-3' => 'equally-good']],
    'bowline, tail outside' => ['bowline', 'tail-outside', ['flip-1' => 'knot bowline-slipping', 'last-tuck-strand-6-0' => 'knot bowline-falling', 'last-tuck-round-0-3' => 'equally-good']],
    'three-lobe stopper' => ['three-lobe-stopper', null, ['last-tuck-strand-3-5' => 'knot overhand', 'last-tuck-round-0-3' => 'knot double-overhand', 'wrap-missed-0-1' => 'knot figure-eight', 'flip-5' => 'falls-out']],
    'double half-knot reef' => ['double-half-knot-reef', null, ['wrap-missed-0-1' => 'knot square-knot']],
    'square bow' => ['square-bow', null, ['second-half' => 'knot granny-bow']],
    'constrictor' => ['constrictor', null, ['flip-7' => 'knot clove-hitch', 'flip-5' => 'knot clove-hitch']],
    'timber hitch' => ['timber-hitch', null, ['wrap-missed-3-4' => 'falls-out']],
    'clove hitch in the hands' => ['clove-hitch', 'in-the-hands', ['flip-6' => 'knot plain-coil', 'second-half' => 'knot plain-coil']],
]);

it('makes every kind of error', function (): void {
    foreach (['square-knot', 'two-half-hitches', 'bowline'] as $knot) {
        $kinds = array_unique(array_map(static fn (Found $found): string => $found->slip->kind->error()->value, mistakesOf($knot)));
        foreach ([ErrorKind::Flip, ErrorKind::LastTuck, ErrorKind::Wrap, ErrorKind::Ends] as $kind) {
            expect($kinds)->toContain($kind->value);
        }
    }
    // Each crossing once.
    $flips = array_filter(mistakesOf('bowline'), static fn (Found $found): bool => $found->slip->kind->error() === ErrorKind::Flip);
    $crossings = array_map(static fn (Found $found): ?int => $found->slip->crossing, $flips);
    sort($crossings);
    expect($crossings)->toBe(range(0, 6));
});

it('names each slip once', function (string $knot): void {
    foreach (knotLibrary()->knot($knot)->methods as $method) {
        $ids = array_map(static fn (Found $found): string => $found->slip->id, mistakesOf($knot, $method->id));
        expect(array_unique($ids))->toBe($ids);
    }
})->with(fn (): array => knotLibrary()->ids());

it('reads no outcome from the pack', function (string $knot): void {
    $folder = sys_get_temp_dir().'/packs-'.bin2hex(random_bytes(5));
    mkdir("$folder/knots", 0o700, true);
    foreach (knotLibrary()->ids() as $id) {
        $pack = Json::arrays(Json::file(dirname(__DIR__, 3)."/packs/knots/$id.json"));
        file_put_contents("$folder/knots/$id.json", Json::write(['mistakes' => []] + $pack));
    }
    $known = static fn (array $mistakes): array => array_map(static fn (Found $found): array => [$found->slip->id, $found->becomes->toArray(), $found->likely], $mistakes);
    try {
        expect($known(mistakesOf($knot, null, Library::at($folder))))->toBe($known(mistakesOf($knot)));
        $words = array_map(static fn (Found $found): string => Catalogue::english()->say($found->sign), mistakesOf($knot, null, Library::at($folder)));
        expect(array_filter($words, static fn (string $sign): bool => $sign === ''))->toBe([]);
    } finally {
        exec('rm -rf '.escapeshellarg($folder));
    }
})->with(['square-knot', 'figure-eight', 'two-half-hitches', 'clove-hitch', 'bowline'])->group('long');

it('joins the pack’s own words to what was computed', function (): void {
    $granny = current(array_filter(mistakesOf('square-knot'), static fn (Found $found): bool => $found->becomes->knot === 'granny-knot'));
    expect(Catalogue::english()->say($granny->sign))->toBe('Lumpy, and the ends stick out crosswise');
    $fallen = current(array_filter(mistakesOf('figure-eight'), static fn (Found $found): bool => $found->slip->id === 'flip-0'));
    expect([Catalogue::english()->say($fallen->sign), Catalogue::english()->say($fallen->cause)])->toBe(['It comes apart when pulled', 'Over and under have changed places at one crossing']);
    expect(Catalogue::english()->say($fallen->fix))->toStartWith('Go back to step 2: go round behind');
});

it('ranks what beginners do first', function (): void {
    expect(mistakesOf('square-knot')[0]->becomes->knot)->toBe('granny-knot');
    expect(mistakesOf('clove-hitch')[0]->becomes->knot)->toBe('larks-head');
    expect(mistakesOf('bowline')[0]->becomes->knot)->toBe('bowline-falling');
    foreach (['square-knot', 'bowline'] as $knot) {
        $likely = array_map(static fn (Found $found): float => $found->likely, mistakesOf($knot));
        $sorted = $likely;
        rsort($sorted);
        expect($likely)->toBe($sorted);
        expect(min($likely))->toBeGreaterThan(0.0)->and(max($likely))->toBeLessThanOrEqual(1.0);
    }
});

it('knows in which step each crossing is made', function (): void {
    $pack = knotLibrary()->knot('square-knot');
    $order = TyingOrder::of($pack->methods[0], DiagramBuilder::loose($pack->methods[0]));
    $counts = array_count_values($order->stepOf);
    ksort($counts);
    // Right over left, and under: three crossings; then three more.
    expect($counts)->toBe([1 => 1, 2 => 2, 3 => 1, 4 => 2]);
    expect($order->since(3))->toHaveCount(3);
});

it('shows wrong forms on the outline of the right one, ringed where they part', function (): void {
    $library = knotLibrary();
    $pack = $library->knot('square-knot');
    $forms = WrongForm::of($library, knotIndex(), $pack, $pack->methods[0]);
    expect(array_map(static fn (WrongForm $form): ?string => $form->found->becomes->knot, $forms))->toBe(['granny-knot', 'grief-knot', 'double-half-knot-reef', 'thief-knot']);
    $right = DiagramBuilder::loose($pack->methods[0]);
    expect($forms[0]->diagram->strands)->toEqual($right->strands);
    expect($forms[0]->ringed)->toHaveCount(1);
    expect(in_array($forms[0]->ringed[0], array_map(static fn ($crossing) => $crossing->at, $right->crossings)))->toBeTrue();
    expect($forms[3]->ringed)->toBe([]);
    foreach ($library->ids() as $id) {
        foreach ($library->knot($id)->methods as $method) {
            expect(count(WrongForm::of($library, knotIndex(), $library->knot($id), $method)))->toBeLessThanOrEqual(5);
        }
    }
})->group('long');

// Rules: square knot tau 1, Gamma 0.8; thief 1 and 0.2; granny 0 and 0.8; grief 0 and 0.2.
it('counts why a bend holds', function (string $knot, float $tau, float $gamma, array $says): void {
    $pack = knotLibrary()->knot($knot);
    $hold = Hold::of(DiagramBuilder::loose($pack->methods[0]));
    expect($hold->toArray())->toEqual(['crossings' => 6, 'tau' => $tau, 'gamma' => $gamma]);
    foreach ($says as $n => $start) {
        expect(Catalogue::english()->say($hold->sentences()[$n]))->toStartWith($start);
    }
})->with([
    ['square-knot', 1.0, 0.8, ['It pulls together', 'It holds together', 'It is pulled the right way']],
    ['thief-knot', 1.0, 0.2, ['It pulls together', 'It slips', 'It is pulled the wrong way']],
    ['granny-knot', 0.0, 0.8, ['It rolls', 'It holds together', 'It is pulled the right way']],
    ['grief-knot', 0.0, 0.2, ['It rolls', 'It slips', 'It is pulled the wrong way']],
]);

it('keeps its plain sentences to knots they were made for', function (): void {
    foreach (['square-knot' => true, 'granny-knot' => true, 'sheet-bend' => false, 'fishermans-knot' => false] as $knot => $plain) {
        expect(Hold::of(DiagramBuilder::loose(knotLibrary()->knot($knot)->methods[0]))?->isPlain)->toBe($plain, $knot);
    }
});

it('says nothing of knots that are no bend', function (): void {
    foreach (['overhand', 'clove-hitch', 'bowline'] as $knot) {
        expect(Hold::of(DiagramBuilder::loose(knotLibrary()->knot($knot)->methods[0])))->toBeNull();
    }
});

function guesses(string $knot, array $answers, ?string $method = null): array
{
    $library = knotLibrary();
    $found = (new Naming($library, knotIndex()))->of($library->knot($knot), $library->knot($knot)->method($method), $answers);

    return array_map(static fn ($guess): array => [$guess->knot, $guess->against, $guess->unseen], $found);
}

it('names what was tied from the overs and unders seen', function (): void {
    // As taught, seen whole and in part.
    expect(guesses('square-knot', ['left' => 'uouuou', 'right' => 'ouoouo'])[0])->toBe(['square-knot', 0, 0]);
    expect(guesses('square-knot', ['left' => 'uouuou'])[0])->toBe(['square-knot', 0, 0]);
    // A granny alternates throughout.
    expect(guesses('square-knot', ['left' => 'uououo'])[0])->toBe(['granny-knot', 0, 0]);
    // Of its second half nothing was seen but one crossing: the granny is the better match of the two.
    $some = guesses('square-knot', ['left' => '????u?'])[0];
    expect($some)->toBe(['granny-knot', 0, 5]);
    // One that nobody has a name for is found by its own overs and unders.
    $odd = guesses('bowline', ['rope' => str_repeat('?', 14)]);
    expect($odd[0][1])->toBe(0)->and($odd[0][2])->toBe(7);
});

it('says where a knot parts from what is taught', function (): void {
    $library = knotLibrary();
    $guess = (new Naming($library, knotIndex()))->of($library->knot('square-knot'), $library->knot('square-knot')->methods[0], ['left' => 'uououo'])[0];
    expect($guess->step)->toBe(3);
    expect($library->knot('square-knot')->methods[0]->steps[$guess->step - 1]->say)->toStartWith('Left over right');
});

it('refuses answers that cannot be', function (array $answers, string $field, string $allowed): void {
    $library = knotLibrary();
    try {
        (new Naming($library, knotIndex()))->of($library->knot('square-knot'), $library->knot('square-knot')->methods[0], $answers);
        $this->fail('refused');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field)->and($refusal->allowed)->toContain($allowed);
    }
})->with([
    'too few' => [['left' => 'uou'], '/answers/left', '6 letters'],
    'another letter' => [['left' => 'uouxou'], '/answers/left', 'each o, u or ?'],
    'an unknown rope' => [['cord' => 'uou'], '/answers/cord', 'the ropes of this method'],
    'both on top' => [['left' => 'ouuuou', 'right' => 'ouoouo'], '/answers/right', 'the opposite of what is said'],
]);
