<?php

declare(strict_types=1);

use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\Sides;
use Compadre\Core\Knots\StepPlan;
use Compadre\Core\Knots\Strand;
use Compadre\Core\Knots\View;

/** Every text of the packs that says left or right, and how it reads for the left hand, written out by hand. */
const MIRRORED = [
    'Right over left: lay the right end across the left one.' => 'Left over right: lay the left end across the right one.',
    'Left over right: the same end goes back across on top.' => 'Right over left: the same end goes back across on top.',
    'Left over right: cross the ears the other way.' => 'Right over left: cross the ears the other way.',
    'Left over right: lay the left ear across to the other side.' => 'Right over left: lay the right ear across to the other side.',
    'Left over right: a square knot.' => 'Right over left: a square knot.',
    'Right over left on top of the poles.' => 'Left over right on top of the poles.',
    'Right over left, then left over right' => 'Left over right, then right over left',
    'Right over left, round once more, left over right' => 'Left over right, round once more, right over left',
    'Undo the second half and start it with the other hand: right over left, then left over right' => 'Undo the second half and start it with the other hand: left over right, then right over left',
    'Start again: both ends in front, right over left, then left over right' => 'Start again: both ends in front, left over right, then right over left',
    'Undo the second half and tie it left over right' => 'Undo the second half and tie it right over left',
    'Finish an overhand: behind the line, over it, and out to the right under it.' => 'Finish an overhand: behind the line, over it, and out to the left under it.',
    'Lead the right ear over it and under it: once round.' => 'Lead the left ear over it and under it: once round.',
    'Make a big loop upward, coming back down on the left.' => 'Make a big loop upward, coming back down on the right.',
    'The right neighbour leans over the fence.' => 'The left neighbour leans over the fence.',
    'Now the visit is returned: left leans over right.' => 'Now the visit is returned: right leans over left.',
    // No sides: these are the same for both hands.
    'One tuck was left out of the first half' => 'One tuck was left out of the first half',
    'The round turn was left out' => 'The round turn was left out',
    'The second turn was left out' => 'The second turn was left out',
    'Open it, take the end right round behind the standing part, then through the loop' => 'Open it, take the end right round behind the standing part, then through the loop',
    'The seal has swum right round the bay.' => 'The seal has swum right round the bay.',
    'The seal has swum right round the pier.' => 'The seal has swum right round the pier.',
];

/** @return list<string> every text of a knot that stands beside a drawing */
function besideDrawings(Library $library): array
{
    $texts = [];
    foreach ($library->all() as $knot) {
        array_push($texts, ...$knot->tyingChecks, ...$knot->dressingChecks, ...$knot->tailChecks);
        foreach ($knot->methods as $method) {
            array_push($texts, $method->name, ...array_map(static fn (StepPlan $step): string => $step->say, $method->steps), ...array_filter(array_map(static fn (StepPlan $step): ?string => $step->story, $method->steps)));
        }
        array_push($texts, ...array_merge([], ...array_map(static fn (KnotMistake $mistake): array => [$mistake->sign, $mistake->cause, $mistake->fix], array_values($knot->mistakes))));
    }

    return array_values(array_unique($texts));
}

it('tells the sides for the left hand, in every text of every knot, as written out by hand', function (): void {
    $found = array_values(array_filter(besideDrawings(Library::at(dirname(__DIR__, 3).'/packs')), static fn (string $text): bool => preg_match('/\b(left|right)\b/i', $text) === 1));
    sort($found);
    $known = array_keys(MIRRORED);
    sort($known);
    expect($found)->toBe($known);
    foreach (MIRRORED as $text => $left) {
        expect(Sides::english()->told(View::Left, $text))->toBe($left)->and(Sides::english()->told(View::Left, $left))->toBe($text);
        foreach ([View::Learner, View::Across, View::Behind] as $view) {
            expect(Sides::english()->told($view, $text))->toBe($text);
        }
    }
});

it('keeps what says left or right and means no side', function (string $text): void {
    expect(Sides::english()->told(View::Left, $text))->toBe($text);
})->with(['Poles at right angles.', 'A right-laid rope; a left-laid one.', 'It is never left standing.', 'What is left behind.', 'Half a turn was left out', 'It is pulled the right way.', 'It brightened; he cleft it.']);

it('mirrors a method in its words alone, and back again', function (): void {
    $library = Library::at(dirname(__DIR__, 3).'/packs');
    $changed = 0;
    foreach ($library->all() as $knot) {
        foreach ($knot->methods as $method) {
            $left = $method->told(View::Left, Sides::english());
            expect($left->told(View::Left, Sides::english()))->toEqual($method)->and($left->strands)->toBe($method->strands)->and($method->told(View::Behind, Sides::english()))->toEqual($method);
            $changed += (int) ($left != $method);
            foreach ($method->steps as $number => $step) {
                expect([$left->steps[$number]->move, $left->steps[$number]->reach, $left->steps[$number]->tight])->toBe([$step->move, $step->reach, $step->tight]);
            }
        }
    }
    expect($changed)->toBeGreaterThan(4);
});

it('says left where the drawing for the left hand shows it: the end that is laid across comes from the side that is named', function (): void {
    $knot = Library::at(dirname(__DIR__, 3).'/packs')->knot('square-knot');
    $method = $knot->method('right-over-left');
    $drawn = DiagramBuilder::loose($method, $knot->file);
    foreach ([[View::Learner, 'Right over left', 1], [View::Left, 'Left over right', -1]] as [$view, $words, $side]) {
        $seen = $view->of($drawn);
        $over = array_values(array_filter($seen->strands, static fn (Strand $strand): bool => $strand->word[0] === 'o'));
        expect($method->told($view, Sides::english())->steps[0]->say)->toStartWith($words)->and($over)->toHaveCount(1)->and($side * $over[0]->curve->points[0]->x)->toBeGreaterThan(5);
    }
});
