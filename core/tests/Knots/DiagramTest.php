<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Invariants;
use Compadre\Core\Knots\Method;
use Compadre\Core\Knots\PaintOrder;
use Compadre\Core\Knots\PartialDiagram;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\Spline;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\View;
use Compadre\Core\Refusal;

/** An overhand: three crossings, alternating. */
function overhandMethod(array $more = [], array $strand = []): Method
{
    return Method::from(Fields::of($more + [
        'id' => 'plain', 'name' => 'Plain',
        'strands' => [$strand + ['id' => 'rope', 'kind' => 'rope', 'word' => 'uououo', 'points' => [
            [-7.5, 0.6], [-5, 0.5], [-2.4, 0.2], [1.2, 0], [3.9, -1.4], [4.4, -4.2], [2.7, -6.5], [-0.1, -6.9], [-2.4, -5.4], [-2.9, -2.7], [-2.2, 0.4], [-1.1, 2.5], [0.6, 2.5], [1.6, 0.4], [2.6, -1.8], [4.6, -3.1], [6.6, -3.2], [8.4, -3],
        ]]],
        'steps' => [['move' => 'loop', 'say' => 'Loop.', 'to' => ['rope' => 11.2]], ['move' => 'tuck', 'say' => 'Through.', 'to' => ['rope' => 17]]],
        'start' => ['rope' => 2],
    ], '/methods/0'));
}

function words(Diagram $diagram): array
{
    return array_map(fn (int $n): string => implode('', array_map(fn ($visit): string => $visit->over ? 'o' : 'u', $diagram->visits($n))), array_keys($diagram->strands));
}

it('runs a smooth curve through every waypoint', function (): void {
    $points = [new Point(0, 0), new Point(3, 1), new Point(4, 5), new Point(-1, 6)];
    $curve = Spline::through($points);
    foreach ($points as $number => $point) {
        expect($curve->pointAt($curve->lengthAt((float) $number))->distance($point))->toBeLessThan(1e-6);
    }
    // No corner at a waypoint: the direction just before is that just after.
    $at = $curve->lengthAt(1.0);
    expect($curve->directionAt($at - 0.02)->cross($curve->directionAt($at + 0.02)))->toEqualWithDelta(0, 0.1);
});

it('measures length: a straight line, and a circle closely', function (): void {
    expect(Spline::through([new Point(0, 0), new Point(3, 4)])->length())->toEqualWithDelta(5, 1e-9);
    $circle = array_map(fn (int $n): Point => new Point(10 * cos($n * M_PI / 8), 10 * sin($n * M_PI / 8)), range(0, 15));
    expect(Spline::through($circle, true)->length())->toEqualWithDelta(20 * M_PI, 0.05);
});

it('cuts a curve without moving it', function (): void {
    $curve = Spline::through([new Point(0, 0), new Point(3, 1), new Point(4, 5), new Point(-1, 6)]);
    $cubics = $curve->between(2.0, 7.0);
    expect($cubics[0]->a->distance($curve->pointAt(2.0)))->toBeLessThan(0.01);
    expect($cubics[count($cubics) - 1]->d->distance($curve->pointAt(7.0)))->toBeLessThan(0.01);
});

it('finds and pairs every crossing', function (): void {
    $diagram = DiagramBuilder::loose(overhandMethod());
    expect($diagram->crossings)->toHaveCount(3);
    expect(words($diagram))->toBe(['uououo']);
    // A trefoil's three crossings have one sign.
    expect(abs(Invariants::of($diagram)['writhe']))->toBe(3);
    // Three crossings and two ends: E = 7, V = 5, so three bounded regions and the outside.
    expect(Invariants::faces($diagram))->toBe(4);
});

it('refuses a word that contradicts itself, with file, strand and crossing', function (string $word, string $says): void {
    expect(fn () => DiagramBuilder::loose(overhandMethod(strand: ['word' => $word]), 'overhand.json'))
        ->toThrow(fn (Refusal $refusal) => expect($refusal->getMessage())->toContain('overhand.json')->toContain('strand "rope"')->toContain($says));
})->with([
    'too short' => ['uouou', '6 letters'],
    'too long' => ['uououou', '6 letters'],
    'over twice at one crossing' => ['oououo', 'crossing 4'],
]);

it('refuses steps that cannot be', function (array $steps, string $says): void {
    $method = overhandMethod(['steps' => $steps]);
    $diagram = DiagramBuilder::loose($method);
    expect(fn () => StepStates::of($method, $diagram, 'overhand.json'))->toThrow(fn (Refusal $refusal) => expect($refusal->getMessage())->toContain($says));
})->with([
    'backwards' => [[['move' => 'a', 'say' => 'a', 'to' => ['rope' => 12]], ['move' => 'a', 'say' => 'b', 'to' => ['rope' => 6]]], 'no nearer its standing end'],
    'beyond the end' => [[['move' => 'a', 'say' => 'a', 'to' => ['rope' => 18]]], 'from 0 to 17'],
    'unknown rope' => [[['move' => 'a', 'say' => 'a', 'to' => ['cord' => 1]]], 'one of the ropes rope'],
    'left unfinished' => [[['move' => 'a', 'say' => 'a', 'to' => ['rope' => 12]]], 'all of "rope"'],
    'resting on a crossing' => [[['move' => 'a', 'say' => 'a', 'to' => ['rope' => 10]]], 'rest at least'],
]);

it('shows only the crossings that are there yet', function (): void {
    $method = overhandMethod();
    $diagram = DiagramBuilder::loose($method);
    $states = StepStates::of($method, $diagram);
    expect(PartialDiagram::of($diagram, $states[0]->reach)->crossings)->toHaveCount(1);
    expect(PartialDiagram::of($diagram, $states[1]->reach)->crossings)->toHaveCount(3);
    expect($states[0]->moved['rope'][1])->toBe($states[1]->moved['rope'][0]);
});

it('changes words and signs as each view must', function (View $view, array $word, int $sign): void {
    $plain = DiagramBuilder::loose(overhandMethod());
    $seen = $view->of($plain);
    expect(words($seen))->toBe($word);
    expect(Invariants::of($seen)['writhe'])->toBe($sign * Invariants::of($plain)['writhe']);
    // A view is another look at the same rope: nothing gets longer.
    expect($seen->strands[0]->curve->length())->toEqualWithDelta($plain->strands[0]->curve->length(), 1e-9);
})->with([
    [View::Learner, ['uououo'], 1],
    [View::Across, ['uououo'], 1],
    [View::Behind, ['ououou'], 1],
    [View::Left, ['uououo'], -1],
]);

it('paints every over above its under', function (): void {
    $diagram = DiagramBuilder::loose(overhandMethod());
    $pieces = PaintOrder::of($diagram);
    foreach ($diagram->crossings as $crossing) {
        $place = fn (float $at): int => array_key_last(array_filter($pieces, fn ($piece): bool => $piece->from <= $at && $at <= $piece->to));
        expect($place($crossing->overAt))->toBeGreaterThan($place($crossing->underAt));
    }
    // Together the pieces are the whole rope.
    $ends = array_map(fn ($piece): array => [$piece->from, $piece->to], $pieces);
    sort($ends);
    expect($ends[0][0])->toBe(0.0);
    expect(end($ends)[1])->toEqualWithDelta($diagram->strands[0]->curve->length(), 1e-9);
});

it('puts a pole between the rope before and behind it', function (): void {
    $method = Method::from(Fields::of(['id' => 'turn', 'name' => 'Turn', 'steps' => [], 'strands' => [
        ['id' => 'pole', 'kind' => 'pole', 'width' => 4, 'points' => [[-8, 0], [8, 0]]],
        ['id' => 'rope', 'kind' => 'rope', 'word' => 'ou', 'points' => [[-2, 8], [-2, 0], [-1, -4], [1, -4], [2, 0], [2, 8]]],
    ]]));
    $order = array_map(fn ($piece): string => "$piece->strand ".($piece->from < 1 ? 'front' : 'back'), PaintOrder::of(DiagramBuilder::loose($method)));
    expect($order)->toBe(['1 back', '0 front', '1 front']);
});
