<?php

declare(strict_types=1);

/**
 * @param  list<string>  $arguments
 * @return array{int, string} the exit code, and what was written
 */
function program(string $name, array $arguments): array
{
    exec(implode(' ', array_map(escapeshellarg(...), [PHP_BINARY, dirname(__DIR__, 2)."/bin/$name", ...$arguments])).' 2>&1', $lines, $code);

    return [$code, implode("\n", $lines)];
}

it('draws a step, and the finished knot, as an SVG of its own', function (array $arguments, string $says): void {
    [$code, $svg] = program('draw', $arguments);
    expect($code)->toBe(0);
    $document = new DOMDocument();
    expect($document->loadXML($svg))->toBeTrue();
    expect($document->documentElement?->nodeName)->toBe('svg')->and($svg)->toContain($says);
})->with([
    'a step' => [['bowline', '--step=1'], 'Make a small loop'],
    'half-way through a pull' => [['bowline', '--method=slip-loop', '--step=6'], 'until it bites the end'],
    'in space' => [['bowline', '--space'], 'Bowline'],
    'in space, half drawn up, from behind' => [['sheet-bend', '--space', '--turn=180,-10', '--tight=0.5'], 'Sheet bend'],
    'in space, round a pole' => [['clove-hitch', '--space', '--turn=-30,20.5', '--tight=0'], 'Clove hitch'],
    'tight, from the left' => [['sheet-bend', '--tight', '--view=left'], 'Sheet bend'],
]);

it('puts every knot on one page', function (): void {
    [$code, $page] = program('draw', ['--sheet']);
    expect($code)->toBe(0)->and(substr_count($page, '<svg'))->toBeGreaterThan(300)->and($page)->toContain('Wrong (');
});

it('turns what it draws in space, and turns it back', function (): void {
    $seen = static fn (string $turn): string => program('draw', ['figure-eight', '--space', "--turn=$turn"])[1];
    expect($seen('0,0'))->not->toBe($seen('40,0'))->and($seen('40,0'))->not->toBe($seen('40,10'))->and($seen('360,0'))->toBe($seen('0,0'));
    // From behind, left and right change places: the box is as wide.
    preg_match('/viewBox="[-0-9.]+ [-0-9.]+ ([0-9.]+) ([0-9.]+)"/', $seen('0,0'), $front);
    preg_match('/viewBox="[-0-9.]+ [-0-9.]+ ([0-9.]+) ([0-9.]+)"/', $seen('180,0'), $back);
    expect(array_slice($back, 1))->toBe(array_slice($front, 1));
});

it('says what every form has come to', function (): void {
    [$code, $table] = program('tighten', []);
    expect($code)->toBe(0)->and($table)->toContain('bowline, through-a-small-loop')->and(substr_count($table, "\n"))->toBeGreaterThan(50);
});

it('relaxes a drawing', function (): void {
    [$code, $points] = program('relax', ['overhand', '--moves=5']);
    expect($code)->toBe(0)->and($points)->toContain('[');
});

it('says what is allowed where a drawing is asked for in a way there is not', function (string $name, array $arguments, string $says): void {
    [$code, $said] = program($name, $arguments);
    expect($code)->toBe(2)->and($said)->toContain($says);
})->with([
    'no such knot' => ['draw', ['sailors-delight'], 'sailors-delight'],
    'no such step' => ['draw', ['bowline', '--step=99'], 'from 1 to 6'],
    'no such option' => ['draw', ['bowline', '--big'], 'only --method='],
    'a turn of one angle' => ['draw', ['bowline', '--space', '--turn=30'], 'two angles in degrees'],
    'a turn too far' => ['draw', ['bowline', '--space', '--turn=30,1000'], 'from -360 to 360'],
    'tighter than tight' => ['draw', ['bowline', '--space', '--tight=1.5'], 'from 0, loose, to 1, tight'],
    'no such knot to tighten' => ['tighten', ['sailors-delight'], 'sailors-delight'],
    'no knot to relax' => ['relax', [], 'the id of one knot'],
]);
