<?php

declare(strict_types=1);

use Compadre\Core\Drawing\Drawing;
use Compadre\Core\Drawing\Look;
use Compadre\Core\Drawing\Palette;
use Compadre\Core\Drawing\Sheet;
use Compadre\Core\Drawing\SheetRequest;
use Compadre\Core\Drawing\SvgPath;
use Compadre\Core\Drawing\SvgWriter;
use Compadre\Core\Knots\Cubic;
use Compadre\Core\Knots\Diagram;
use Compadre\Core\Knots\DiagramBuilder;
use Compadre\Core\Knots\Library;
use Compadre\Core\Knots\PaintOrder;
use Compadre\Core\Knots\PartialDiagram;
use Compadre\Core\Knots\Piece;
use Compadre\Core\Knots\Point;
use Compadre\Core\Knots\Skewer;
use Compadre\Core\Knots\StepStates;
use Compadre\Core\Knots\View;
use Compadre\Core\Refusal;
use Compadre\Core\Space\FormFile;

function shelf(): Library
{
    static $library = null;

    return $library ??= Library::at(dirname(__DIR__, 3).'/packs');
}

function svg(string ...$arguments): SimpleXMLElement
{
    $text = Sheet::one(shelf(), SheetRequest::fromArguments(array_values($arguments)), new FormFile(dirname(__DIR__, 3).'/packs'));
    $xml = simplexml_load_string($text);
    expect($xml)->not->toBeFalse();
    $xml->registerXPathNamespace('s', 'http://www.w3.org/2000/svg');

    return $xml;
}

it('writes every knot as an SVG that stands alone', function (string $id): void {
    foreach (shelf()->knot($id)->methodIds() as $method) {
        foreach (['learner', 'across', 'behind', 'left'] as $view) {
            $xml = svg($id, "--method=$method", "--view=$view");
            expect((string) $xml['viewBox'])->toMatch('/^-?[\d.]+ -?[\d.]+ [\d.]+ [\d.]+$/');
            expect((string) $xml->title)->toBe(shelf()->knot($id)->names[0]);
            expect(count($xml->xpath('//s:path')))->toBeGreaterThan(8);
            // Nothing is fetched from elsewhere.
            expect($xml->asXML())->not->toContain('href')->not->toContain('url(http');
        }
    }
})->with(fn (): array => shelf()->ids());

it('draws a step only as far as the end has travelled, and says its words', function (): void {
    $lengths = [];
    foreach (range(1, 5) as $step) {
        $xml = svg('bowline', "--step=$step");
        expect((string) $xml->title)->toContain(shelf()->knot('bowline')->methods[0]->steps[$step - 1]->say);
        $lengths[] = strlen((string) $xml->asXML());
    }
    $sorted = $lengths;
    sort($sorted);
    expect($lengths)->toBe($sorted);
    // The last step shows the knot drawn up tight: smaller, and without arrows.
    expect((float) svg('bowline', '--step=6')['width'])->toBeLessThan((float) svg('bowline')['width']);
});

it('refuses to draw what there is not, by the option’s name', function (array $arguments, string $field): void {
    try {
        Sheet::one(shelf(), SheetRequest::fromArguments($arguments), new FormFile(dirname(__DIR__, 3).'/packs'));
        $this->fail('refused');
    } catch (Refusal $refusal) {
        expect($refusal->field)->toBe($field)->and($refusal->allowed)->not->toBe('');
    }
})->with([
    'no knot' => [[], 'KNOT'],
    'two knots' => [['bowline', 'overhand'], 'KNOT'],
    'an unknown knot' => [['tangle'], '/knot'],
    'an unknown method' => [['bowline', '--method=magic'], '/method'],
    'a step beyond the last' => [['bowline', '--step=40'], '--step'],
    'a step that is no number' => [['bowline', '--step=two'], '--step'],
    'an unknown view' => [['bowline', '--view=above'], '--view'],
    'an unknown option' => [['bowline', '--colour=red'], '--colour'],
]);

it('puts every knot, step and mistake on the sheet', function (): void {
    $page = Sheet::all(shelf());
    foreach (shelf()->all() as $knot) {
        expect($page)->toContain('<h2>'.htmlspecialchars($knot->names[0]));
        foreach ($knot->methods as $method) {
            foreach ($method->steps as $number => $step) {
                expect($step->tight || str_contains($page, htmlspecialchars(($number + 1).'. '.$step->say)))->toBeTrue();
            }
        }
    }
    expect($page)->toContain('Wrong (Granny knot)')->toContain('<circle');
});

it('rings what it is told to', function (): void {
    $drawing = Drawing::loose(DiagramBuilder::loose(shelf()->knot('overhand')->methods[0]));
    $ringed = (new SvgWriter($drawing, Palette::file()))->write(null, 'Ringed', [new Point(1.5, -2)]);
    expect($ringed)->toContain('<circle cx="1.5" cy="-2"');
    expect((new SvgWriter($drawing, Palette::file()))->write(null, 'A & B < C'))->toContain('<title>A &amp; B &lt; C</title>');
});

it('writes paths that other programs read', function (): void {
    $path = SvgPath::of([new Cubic(new Point(0, 0), new Point(1, 0.3333333), new Point(2, -0.5), new Point(3, 0))]);
    expect($path)->toBe('M0 0C1 0.333 2 -0.5 3 0');
    expect(SvgPath::of([]))->toBe('');
    expect(SvgPath::number(-0.0001))->toBe('0');
});

it('covers each rope with pieces that overlap by their lap and no more', function (string $id): void {
    foreach (shelf()->knot($id)->methods as $method) {
        $diagram = DiagramBuilder::loose($method);
        foreach ($diagram->strands as $number => $strand) {
            $pieces = array_values(array_filter(PaintOrder::of($diagram), static fn (Piece $piece): bool => $piece->strand === $number));
            usort($pieces, static fn (Piece $a, Piece $b): int => $a->from <=> $b->from);
            expect($pieces[0]->from)->toBe(0.0);
            expect(end($pieces)->to)->toEqualWithDelta($strand->curve->length(), 1e-9);
            for ($n = 1; $n < count($pieces); $n++) {
                expect($pieces[$n - 1]->to - $pieces[$n]->from)->toEqualWithDelta(2 * Piece::LAP, 1e-6);
            }
        }
    }
})->with(fn (): array => shelf()->ids());

it('keeps over and under right at every moment of the tying', function (string $id): void {
    foreach (shelf()->knot($id)->methods as $method) {
        $whole = DiagramBuilder::loose($method);
        foreach (StepStates::of($method, $whole) as $state) {
            foreach ([0.15, 0.4, 0.7, 1.0] as $share) {
                $reach = $state->reach;
                foreach ($state->moved as $rope => [$from, $to]) {
                    $reach[$rope] = $from + $share * ($to - $from);
                }
                $far = array_map(static fn (array $span): float => $span[0] + $share * ($span[1] - $span[0]), $state->far);
                heldOrder(PartialDiagram::of($whole, $reach, $far), $whole);
            }
        }
    }
    expect(true)->toBeTrue();
})->with(fn (): array => shelf()->ids());

/** Every crossing of the part is one of the whole, with the same strand on top, and is painted so. */
function heldOrder(Diagram $part, Diagram $whole): void
{
    $pieces = PaintOrder::of($part);
    foreach ($part->crossings as $crossing) {
        $same = array_filter($whole->crossings, static fn ($other): bool => $other->over === $crossing->over && $other->under === $crossing->under && $other->at->distance($crossing->at) < 1e-9);
        expect($same)->not->toBeEmpty();
        $last = static fn (int $strand, float $at): int => (int) array_key_last(array_filter($pieces, static function (Piece $piece) use ($part, $strand, $at): bool {
            // Where pieces overlap, each has half.
            $from = $piece->from > 0 ? $piece->from + Piece::LAP - 1e-6 : 0.0;
            $to = $piece->to < $part->strands[$strand]->curve->length() ? $piece->to - Piece::LAP + 1e-6 : $piece->to;

            return $piece->strand === $strand && $from <= $at && $at <= $to;
        }));
        expect($last($crossing->over, $crossing->overAt))->toBeGreaterThan($last($crossing->under, $crossing->underAt));
    }
}

it('makes no knot longer by looking at it from elsewhere', function (View $view): void {
    foreach (shelf()->ids() as $id) {
        $plain = DiagramBuilder::loose(shelf()->knot($id)->methods[0]);
        $seen = $view->of($plain);
        foreach ($plain->strands as $number => $strand) {
            expect($seen->strands[$number]->curve->length())->toEqualWithDelta($strand->curve->length(), 1e-6);
        }
        expect(count($seen->crossings))->toBe(count($plain->crossings));
        // Twice the same look is the first sight again.
        $again = $view->of($seen);
        expect($again->crossings[0]->at->distance($plain->crossings[0]->at))->toBeLessThan(1e-9);
        expect($again->crossings[0]->turn)->toBe($plain->crossings[0]->turn);
    }
})->with(View::cases());

it('holds a loop open with something straight through it', function (): void {
    $ring = DiagramBuilder::loose(shelf()->knot('overhand')->methods[0]);
    $held = Skewer::through($ring, [new Point(0.5, -3.5)]);
    expect(count($held->strands))->toBe(count($ring->strands) + 1);
    $line = count($held->strands) - 1;
    $ways = array_map(static fn ($visit): bool => $visit->over, $held->visits($line));
    expect(count($ways))->toBeGreaterThanOrEqual(2);
    // Over everything on one side of the place, under everything on the other.
    $sorted = $ways;
    rsort($sorted);
    expect(in_array($ways, [$sorted, array_reverse($sorted)], true))->toBeTrue();
    expect(array_unique($ways))->toHaveCount(2);
    expect(array_slice($held->crossings, 0, count($ring->crossings)))->toEqual($ring->crossings);
});

it('draws no outline without its rope in it, at any step of any knot', function (): void {
    $files = new FormFile(dirname(__DIR__, 3).'/packs');
    $line = Palette::file()->line;
    $bodies = array_column(Palette::file()->ropes, 'body');
    $drawn = 0;
    foreach (shelf()->all() as $knot) {
        foreach ($knot->methods as $method) {
            foreach (array_keys($method->steps) as $step) {
                $svg = Sheet::one(shelf(), SheetRequest::drawing($knot->id, $method->id, $step + 1, View::Learner, false), $files);
                preg_match_all('/stroke="(#[0-9a-f]{6})" stroke-width="([0-9.]+)"/', $svg, $strokes, PREG_SET_ORDER);
                foreach ($strokes as $at => [, $colour, $width]) {
                    if ($colour === $line && in_array((float) $width, [1.0, 1.3], true)) {
                        // Straight after the outline comes the body, as wide as the outline leaves it.
                        $drawn++;
                        $next = $strokes[$at + 1] ?? ['', '', ''];
                        in_array($next[1], $bodies, true) && abs((float) $next[2] - (float) $width + 2 * Look::OUTLINE) < 1e-6 || $this->fail("$knot->id, $method->id, step ".($step + 1).': an outline with nothing in it');
                    }
                }
            }
        }
    }
    expect($drawn)->toBeGreaterThan(2000);
});
