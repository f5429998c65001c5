<?php

declare(strict_types=1);

use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Drawing\Look;
use Compadre\Core\Drawing\Palette;
use Compadre\Core\Drawing\SvgWriter;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\StepStates;

/** Relative luminance as WCAG 2.2 defines it. */
function luminance(string $colour): float
{
    [$red, $green, $blue] = array_map(static function (string $part): float {
        $value = hexdec($part) / 255;

        return $value <= 0.04045 ? $value / 12.92 : (($value + 0.055) / 1.055) ** 2.4;
    }, str_split(substr($colour, 1), 2));

    return 0.2126 * $red + 0.7152 * $green + 0.0722 * $blue;
}

function contrast(string $one, string $other): float
{
    $bright = [luminance($one), luminance($other)];

    return (max($bright) + 0.05) / (min($bright) + 0.05);
}

it('tells ropes apart by lightness and by a stripe, and from their ground by their line', function (Palette $palette): void {
    [$first, $second] = $palette->ropes;
    expect(contrast($first['body'], $second['body']))->toBeGreaterThan(1.5);
    expect($first['tracer'])->toBeNull()->and(contrast((string) $second['tracer'], $second['body']))->toBeGreaterThan(2.5);
    foreach ($palette->ropes as $rope) {
        expect(contrast($rope['body'], $palette->line))->toBeGreaterThan(3.0);
        expect(luminance($rope['light']))->toBeGreaterThan(luminance($rope['body']));
    }
    expect(contrast($palette->wood, $palette->grain))->toBeGreaterThan(1.2);
    foreach ($palette->properties() as $colour) {
        expect($colour)->toMatch('/^#[0-9a-f]{6}$/');
    }
})->with(['day' => [Palette::day()], 'night' => [Palette::night()], 'handout' => [Palette::handout()], 'file' => [Palette::file()]]);

it('names the same properties in every palette, and keeps the day’s ropes in a file', function (): void {
    $names = array_keys(Palette::day()->properties());
    expect(array_keys(Palette::night()->properties()))->toBe($names)->and(array_keys(Palette::handout()->properties()))->toBe($names);
    expect(Palette::file()->ropes)->toBe(Palette::day()->ropes)->and(Palette::file()->paper)->toBe('#ffffff');
});

it('draws by its figures', function (): void {
    $knot = Library::at(dirname(__DIR__, 3).'/packs')->knot('square-lashing');
    $loose = DiagramBuilder::loose($knot->methods[0], $knot->file);
    $states = StepStates::of($knot->methods[0], $loose, $knot->file);
    $svg = (new SvgWriter(Drawing::loose($loose), Palette::file()))->write($states[1], 'A step');
    $palette = Palette::file();
    $whipped = substr_count($svg, "stroke=\"{$palette->whipping}\"");
    expect($whipped)->toBe(2);
    expect($svg)->toContain('stroke-width="'.Look::ARROWS['width'].'" stroke-linecap="round"')->toContain("stroke=\"{$palette->grain}\" stroke-width=\"".Look::GRAIN['width'].'"');
    // Both ends are whipped, each with all its turns.
    expect(substr_count($svg, 'stroke-opacity="'.Look::WHIPPING['opacity'].'"'))->toBe($whipped * count(Look::WHIPPING['turns']));
});
