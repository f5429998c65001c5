<?php

declare(strict_types=1);

use Compadre\Core\Checking\UsualMistakes;
use Compadre\Core\Knots\KnotMistake;
use Compadre\Core\Knots\Library;

it('puts first what this group gets wrong, and what beginners get wrong as long as little was seen', function (): void {
    $knot = Library::at(dirname(__DIR__, 3).'/packs')->knot('square-knot');
    $order = static fn (array $named): array => array_map(static fn (KnotMistake $one): string => $one->id, UsualMistakes::of($knot, ['granny-knot' => 0.8, 'thief-knot' => 0.3, 'grief-knot' => 0.2], $named));
    expect($order([]))->toBe(['granny-knot', 'thief-knot', 'grief-knot']);
    // Once is not yet a habit: 1 + 4 x 0.3 stays under 4 x 0.8.
    expect($order(['thief-knot' => 1]))->toBe(['granny-knot', 'thief-knot', 'grief-knot']);
    expect($order(['thief-knot' => 3]))->toBe(['thief-knot', 'granny-knot', 'grief-knot']);
    expect($order(['grief-knot' => 9, 'thief-knot' => 3]))->toBe(['grief-knot', 'thief-knot', 'granny-knot']);
});

it('forgets no mistake, and tells apart those nothing is known of by the order of the pack', function (): void {
    $knot = Library::at(dirname(__DIR__, 3).'/packs')->knot('bowline');
    $mistakes = UsualMistakes::of($knot, [], []);
    expect($mistakes)->toBe(array_values($knot->mistakes));
});
