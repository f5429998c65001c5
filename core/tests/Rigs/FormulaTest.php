<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Rigs\Bundle;

require_once __DIR__.'/Workbench.php';

it('works a formula out', function (string $formula, float $comes): void {
    expect(worked($formula, ['span' => 3000.0, 'height' => 4000.0, 'many' => 3.0], ['span' => 'mm', 'height' => 'mm', 'many' => 'count']))->toEqualWithDelta($comes, 1e-9);
})->with([
    ['sqrt(span ** 2 + height ** 2)', 5000.0],
    ['max(span, height) - min(span, height)', 1000.0],
    ['many > 2 and span < height ? 2 * span : span', 6000.0],
    ['-span + mm(10)', -2990.0],
    ['up(span + mm(1), mm(100))', 3100.0],
    ['asin(span / (2 * span))', 30.0],
    ['ceil(height / span)', 2.0],
    ['span * height / span', 4000.0],
]);

// By hand: 20 diameters of 6 mm; the hitch's floor of 50 mm against 8 x 6; two turns round 60 mm; the capstan at mu 0.25.
it('knows rope, lashings, lines and grip', function (string $formula, float $comes): void {
    expect(worked($formula))->toEqualWithDelta($comes, 1e-3);
})->with([
    ["used('bowline')", 120.0],
    ["tail('bowline')", 60.0],
    ["tail('two-half-hitches')", 50.0],
    ["tail_in('sheet-bend', mm(10), 'nylon')", 120.0],
    ['turns(2, mm(60))', 2 * M_PI * 66],
    ["lashing2('square', mm(60), mm(60))", 4800.0],
    ["lashing3('tripod-plain', mm(40), mm(40), mm(40))", 1.1 * (2 * (2 * M_PI * 46 + 36) + 6 * (160 + M_PI * 46) + 4 * (72 + 80)) + 120],
    ['band(3, mm(50))', 150 + M_PI * 56],
    ['envelope(7, mm(50))', 150.0],
    ['ties(mm(4000))', 3.0],
    ['middle_pull(mm(4000), mm(200), n(100))', 100 * sqrt(2000 ** 2 + 200 ** 2) / 400],
    ['grip(1.5)', exp(0.25 * 3 * M_PI)],
    ['hauling_gain()', 1 + exp(-0.2 * M_PI) + exp(-0.45 * M_PI)],
    ['taut_wraps(mm(6))', 2.0],
    ['half_hitches()', 2.0],
]);

it('bundles four poles and more in their circle, never in less than a bundle of one fewer', function (): void {
    for ($poles = 2; $poles <= 20; $poles++) {
        expect(Bundle::band($poles, 50, 6))->toBeGreaterThanOrEqual(Bundle::band($poles - 1, 50, 6) - 1e-9);
    }
});

it('refuses what is no formula here, naming place and reason', function (string $formula, string $why): void {
    expect(fn () => worked($formula, [], ['span' => 'mm', 'load' => 'n', 'many' => 'count', 'path' => 'yes']))->toThrow(Refusal::class, $why);
})->with([
    'a length and a force' => ['span + load', '"+" does not go between mm and n'],
    'an area for a length' => ['max(span, span * span)', 'max takes (same, same), not (mm, mm^2 n^0)'],
    'a bare number for a length' => ['span + 3', '"+" does not go between mm and ratio'],
    'an unknown name' => ['breadth', 'breadth'],
    'an unknown function' => ['system(span)', 'system'],
    'a function of the language underneath' => ["constant('PHP_VERSION')", 'no function here'],
    'an unknown knot' => ["used('hangmans-hitch')", 'one of'],
    'an unknown lashing' => ["lashing2('round', span, span)", 'one of square'],
    'a lashing of three among two' => ['lashing2(span, span, span)', 'lashing2 takes (text, mm, mm)'],
    'a method of a thing' => ['span.length()', 'no formula may'],
    'a list' => ['[span]', 'no formula may'],
    'a question for a number' => ['path + path', 'does not go between yes and yes'],
    'two answers of two units' => ['path ? span : load', 'two answers of one unit'],
    'a power that is not written out' => ['span ** many', 'does not go between'],
    'text between' => ['span ~ span', 'does not go between'],
    'nothing' => ['', 'is no formula here'],
]);

it('refuses to divide by nothing', function (): void {
    expect(fn () => worked('span / (span - span)', ['span' => 5.0], ['span' => 'mm']))->toThrow(Refusal::class, 'comes to no number');
    expect(fn () => worked('sqrt(many - 4)', ['many' => 3.0], ['many' => 'count']))->toThrow(Refusal::class, 'comes to no number');
});
