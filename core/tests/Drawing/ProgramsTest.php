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
    'tight, from the left' => [['sheet-bend', '--tight', '--view=left'], 'Sheet bend'],
]);

it('puts every knot on one page', function (): void {
    [$code, $page] = program('draw', ['--sheet']);
    expect($code)->toBe(0)->and(substr_count($page, '<svg'))->toBeGreaterThan(300)->and($page)->toContain('Wrong (');
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
    'no knot to relax' => ['relax', [], 'the id of one knot'],
]);
