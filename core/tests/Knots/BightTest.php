<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Drawing\Palette;
use Compadre\Core\Drawing\SvgWriter;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\PaintOrder;
use Compadre\Core\Knots\PartialDiagram;
use Compadre\Core\Knots\Quality;
use Compadre\Core\Knots\RunsOn;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Refusal;
use Compadre\Core\Topology\Fingerprint;

/** A doubled rope lying straight from left to right and back, its tip at waypoint 3. */
function doubled(array $more = [], array $steps = []): Method
{
    return Method::from(Fields::of($more + ['id' => 'x', 'name' => 'X', 'steps' => $steps, 'start' => ['rope' => 1], 'strands' => [
        ['id' => 'rope', 'kind' => 'rope', 'word' => '', 'bight' => 3, 'points' => [[0, 0], [10, 0], [20, 0], [25, 1], [20, 2], [10, 2], [0, 2]]],
    ]]));
}

it('lets both sides of a bight travel together', function (): void {
    $method = doubled(steps: [['move' => 'bight', 'to' => ['rope' => 2], 'say' => 'On.'], ['move' => 'bight', 'to' => ['rope' => 3], 'say' => 'Out.']]);
    $diagram = DiagramBuilder::loose($method);
    $curve = $diagram->strands[0]->curve;
    [$first, $second] = StepStates::of($method, $diagram);
    expect($first->reach['rope'])->toBe($curve->lengthAt(2))->and($first->far['rope'])->toBe([$curve->lengthAt(5), $curve->lengthAt(4)]);
    expect($second->farNow()['rope'])->toBe($curve->lengthAt(3));
    $part = PartialDiagram::of($diagram, $first->reach, $first->farNow())->strands[0]->curve;
    // Out, round a short tip, and back.
    expect($part->pointAt(0)->x)->toEqualWithDelta(0, 1e-9)->and($part->pointAt($part->length())->y)->toEqualWithDelta(2, 1e-9);
    expect($part->length())->toBeGreaterThan($curve->lengthAt(2) * 2 + 2)->toBeLessThan($curve->length());
    expect(max(array_map(static fn ($point): float => $point->x, $part->points)))->toBeLessThan(22.5);
    // Done, it is the whole rope.
    expect(PartialDiagram::of($diagram, $second->reach, $second->farNow())->strands[0]->curve)->toBe($curve);
});

it('does not let a bight travel beyond its tip', function (): void {
    $method = doubled(steps: [['move' => 'bight', 'to' => ['rope' => 4], 'say' => 'Too far.']]);
    expect(fn () => StepStates::of($method, DiagramBuilder::loose($method)))->toThrow(Refusal::class, 'from 0 to 3');
});

it('draws the far side, and the tip that is on its way', function (): void {
    $method = doubled(steps: [['move' => 'bight', 'to' => ['rope' => 2], 'say' => 'On.'], ['move' => 'bight', 'to' => ['rope' => 3], 'say' => 'Out.']]);
    $diagram = DiagramBuilder::loose($method);
    $writer = new SvgWriter(Drawing::loose($diagram), Palette::file());
    [$first, $second] = StepStates::of($method, $diagram);
    $paths = static fn (string $svg): int => substr_count($svg, 'stroke="'.Palette::file()->ropes[0]['body'].'"');
    // Near side, tip, far side; then one rope.
    expect($paths($writer->write($first, 'One')))->toBe(3)->and($paths($writer->write($second, 'Two')))->toBe(1);
});

it('crosses a pair as one', function (float $apart, bool $declared, float $spacing): void {
    $line = static fn (string $id, array $from, array $to, string $word): array => ['id' => $id, 'kind' => 'rope', 'word' => $word, 'points' => [$from, [($from[0] + $to[0]) / 2, ($from[1] + $to[1]) / 2], $to]];
    $method = Method::from(Fields::of(['id' => 'x', 'name' => 'X', 'steps' => [], 'strands' => [
        $line('a', [0, -10], [0, 10], 'uu'), $line('b', [$apart, -10], [$apart, 10], 'uu'), $line('c', [-10, 0], [10, 0], 'oo'), $line('d', [-10, 5], [10, 5], 'oo'),
    ], 'pairs' => $declared ? [['a' => ['strand' => 'a', 'from' => 0, 'to' => 2], 'b' => ['strand' => 'b', 'from' => 0, 'to' => 2]]] : []]));
    expect(Quality::of(DiagramBuilder::loose($method), $method->pairs)->spacing)->toEqualWithDelta($spacing, 1e-6);
})->with([
    'declared' => [1.2, true, 5.0],
    'not declared' => [1.2, false, 1.2],
]);

it('knows which end is loaded', function (string $runsOn, string $knot): void {
    $packs = dirname(__DIR__, 3).'/packs';
    $pack = Json::arrays(Json::file("$packs/knots/square-knot.json"));
    $pack['methods'][0]['strands'][0]['runs_on'] = $runsOn;
    $key = static fn (Method $method): string => Fingerprint::of(DiagramBuilder::loose($method)->code())->key();
    // With tail and load of one rope exchanged a square knot is a thief knot.
    expect($key(Method::from(Fields::of($pack['methods'][0]))))->toBe($key(Library::at($packs)->knot($knot)->methods[0]));
})->with([['start', 'square-knot'], ['end', 'thief-knot']]);

it('refuses an end that is none', function (): void {
    expect(fn () => Method::from(Fields::of(['id' => 'x', 'name' => 'X', 'steps' => [], 'strands' => [['id' => 'rope', 'kind' => 'rope', 'runs_on' => 'sideways', 'points' => [[0, 0], [1, 0]]]]])))
        ->toThrow(Refusal::class, 'start, end, both, neither');
    expect([RunsOn::Both->atStart(), RunsOn::Both->atEnd(), RunsOn::Neither->atStart(), RunsOn::Neither->atEnd(), RunsOn::End->atStart()])->toBe([true, true, false, false, false]);
});

it('brings an object in with its step', function (): void {
    $pack = Library::at(dirname(__DIR__, 3).'/packs')->knot('twist-stick-line');
    $diagram = DiagramBuilder::loose($pack->methods[0]);
    $states = StepStates::of($pack->methods[0], $diagram);
    expect($states[1]->reach['stick'])->toBe(0.0)->and($states[2]->reach)->not->toHaveKey('stick');
    $wood = 'stroke="'.Palette::file()->wood.'"';
    $writer = new SvgWriter(Drawing::loose($diagram), Palette::file());
    expect($writer->write($states[1], 'Before'))->not->toContain($wood)->and($writer->write($states[2], 'After'))->toContain($wood);
});

it('lays the pole that is written later in front', function (): void {
    $pack = Library::at(dirname(__DIR__, 3).'/packs')->knot('square-lashing');
    $diagram = DiagramBuilder::loose($pack->methods[0]);
    $poles = array_values(array_filter($diagram->crossings, static fn ($crossing): bool => ! $diagram->strands[$crossing->over]->kind->isRope() && ! $diagram->strands[$crossing->under]->kind->isRope()));
    expect($poles)->toHaveCount(1)->and($diagram->strands[$poles[0]->over]->id)->toBe('spar');
    // Wraps pass in front of the spar and behind the upright; fraps the other way about, between the two.
    $sides = [];
    foreach ($diagram->visits(2) as $visit) {
        $sides[$diagram->strands[$visit->other]->id] = ($sides[$diagram->strands[$visit->other]->id] ?? '').($visit->over ? 'o' : 'u');
    }
    expect(substr($sides['spar'], 0, 6))->toBe('oooooo')->and(substr($sides['spar'], 6, 4))->toBe('uuuu');
    expect($sides['upright'])->toContain('uuuuuuoooo');
    expect(PaintOrder::of($diagram))->not->toBeEmpty();
});

it('keeps leaders’ reference without steps', function (): void {
    $pack = Library::at(dirname(__DIR__, 3).'/packs')->knot('handcuff-knot');
    expect($pack->audience)->toBe('leaders')->and($pack->methods)->toHaveCount(1)->and($pack->methods[0]->steps)->toBe([]);
});

it('closes each knot of the catalogue as it should', function (string $knot, int $crossings): void {
    $packs = dirname(__DIR__, 3).'/packs/knots';
    expect(Json::arrays(Json::file("$packs/$knot.json"))['methods'])->not->toBeEmpty();
    $diagram = DiagramBuilder::loose(Library::at(dirname(__DIR__, 3).'/packs')->knot($knot)->methods[0]);
    expect($diagram->crossings)->toHaveCount($crossings);
})->with([
    ['overhand-loop', 12], ['figure-eight-loop', 16], ['figure-eight-retraced', 18], ['water-knot', 12], ['three-lobe-stopper', 6], ['slip-loop', 5], ['double-half-knot-reef', 8],
    ['square-bow', 15], ['sheepshank', 10], ['double-sheet-bend', 12],
]);
