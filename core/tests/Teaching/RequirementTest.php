<?php

declare(strict_types=1);

use Compadre\Core\Checking\Level;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\Leaf;
use Compadre\Core\Teaching\Requirement;

function requirement(array $data): Requirement
{
    return Requirement::from(Fields::of($data));
}

function nested(): Requirement
{
    return requirement(['all' => [
        ['knot' => 'overhand', 'level' => 'kept'],
        ['choose' => 2, 'of' => [['knot' => 'bowline', 'level' => 'has_it'], ['knot' => 'clove-hitch', 'level' => 'has_it'], ['knot' => 'square-knot', 'level' => 'has_it']]],
    ]]);
}

it('counts what is met, an n-of by its best', function (array $levels, array $expected): void {
    expect(nested()->progress($levels))->toBe($expected);
})->with([
    'nothing' => [[], [0, 3]],
    'has it is not kept' => [['overhand' => Level::HasIt], [0, 3]],
    'kept' => [['overhand' => Level::Kept], [1, 3]],
    'kept more than suffices for has it' => [['bowline' => Level::Kept], [1, 3]],
    'three of a two-of count two' => [['bowline' => Level::HasIt, 'clove-hitch' => Level::HasIt, 'square-knot' => Level::HasIt], [2, 3]],
    'all' => [['overhand' => Level::Kept, 'bowline' => Level::HasIt, 'square-knot' => Level::HasIt], [3, 3]],
]);

it('leaves open the cheapest of an n-of', function (): void {
    $cost = fn (Leaf $leaf): float => ['overhand' => 3.0, 'bowline' => 9.0, 'clove-hitch' => 4.0, 'square-knot' => 4.5][$leaf->knot];
    $open = fn (array $levels): array => array_map(fn (Leaf $leaf): string => $leaf->knot, nested()->open($levels, $cost));
    expect($open([]))->toBe(['overhand', 'clove-hitch', 'square-knot']);
    // What is met already costs nothing, so it is one of the two.
    expect($open(['bowline' => Level::HasIt]))->toBe(['overhand', 'clove-hitch']);
    expect($open(['overhand' => Level::Kept, 'bowline' => Level::HasIt, 'square-knot' => Level::Kept]))->toBe([]);
});

it('tells which leaves are a choice', function (): void {
    expect(array_map(fn (array $one): array => [$one[0]->knot, $one[1]], nested()->choices()))
        ->toBe([['overhand', null], ['bowline', '2 of 3'], ['clove-hitch', '2 of 3'], ['square-knot', '2 of 3']]);
});

it('shows the tree with what is met', function (): void {
    $outline = nested()->outline(['overhand' => Level::Kept]);
    expect($outline['met'])->toBeFalse();
    expect($outline['parts'][0])->toBe(['knot' => 'overhand', 'level' => 'kept', 'met' => true]);
    expect($outline['parts'][1])->toMatchArray(['choose' => 2, 'among' => 3, 'met' => false]);
});

it('refuses what cannot be met', function (array $data, string $field): void {
    expect(fn () => requirement($data))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe($field));
})->with([
    'four of three' => [['choose' => 4, 'of' => [['knot' => 'a'], ['knot' => 'b'], ['knot' => 'c']]], '/choose'],
    'none of two' => [['choose' => 0, 'of' => [['knot' => 'a'], ['knot' => 'b']]], '/choose'],
    'all of nothing' => [['all' => []], '/all'],
    'an unknown level' => [['knot' => 'bowline', 'level' => 'perfect'], '/level'],
]);
