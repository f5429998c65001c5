<?php

declare(strict_types=1);

use Compadre\Core\Awards\BadgeDisc;
use Compadre\Core\Awards\InkColour;
use Compadre\Core\Awards\Proof;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;

it('reads back what met a badge, and claims no knot that did not', function (): void {
    $since = ['day' => '2026-11-24', 'by' => 'Maren Holt', 'prior' => false, 'rig' => null, 'place' => 'Net loft'];
    $proof = Proof::from(Fields::of(['about' => 'Ties it.', 'outline' => ['choose' => 2, 'among' => 2, 'met' => true, 'parts' => [
        ['knot' => 'overhand', 'level' => 'kept', 'met' => true, 'since' => $since],
        ['choose' => 1, 'among' => 3, 'met' => true, 'parts' => [
            ['knot' => 'bowline', 'level' => 'has_it', 'met' => false],
            ['knot' => 'overhand', 'level' => 'uses_it', 'words' => 'tripod', 'key' => 'k', 'met' => true, 'since' => ['rig' => 'Tripod', 'place' => null] + $since],
            ['note' => 'say', 'words' => 'what it is for', 'key' => 'n', 'met' => true],
        ]],
    ]]]));
    expect($proof->about)->toBe('Ties it.')->and($proof->knots())->toBe(['overhand']);
    expect($proof->done())->toBe([
        ['knot' => 'overhand', 'level' => 'kept', 'words' => null, 'day' => '2026-11-24', 'by' => 'Maren Holt', 'place' => 'Net loft', 'rig' => null, 'prior' => false],
        ['knot' => 'overhand', 'level' => 'uses_it', 'words' => 'tripod', 'day' => '2026-11-24', 'by' => 'Maren Holt', 'place' => null, 'rig' => 'Tripod', 'prior' => false],
        ['knot' => null, 'level' => null, 'words' => 'what it is for', 'day' => null, 'by' => null, 'place' => null, 'rig' => null, 'prior' => false],
    ]);
});

it('shows all knots of a badge that was given on a leader’s word alone', function (): void {
    $leaf = static fn (string $knot): array => ['knot' => $knot, 'level' => 'has_it', 'met' => false];
    expect(Proof::from(Fields::of(['outline' => ['met' => false, 'parts' => [$leaf('bowline'), $leaf('sheet-bend'), $leaf('bowline')]]]))->knots())->toBe(['bowline', 'sheet-bend']);
    expect(Proof::from(Fields::of([]))->knots())->toBe([]);
});

it('measures a colour’s contrast to white as WCAG 2.1 does', function (string $hex, float $contrast): void {
    expect(InkColour::contrast($hex))->toEqualWithDelta($contrast, 0.005);
})->with([
    'black' => ['#000000', 21.0], 'white' => ['#ffffff', 1.0],
    // The lightest grey that passes, and the one that just does not.
    'the last grey' => ['#767676', 4.54], 'one more' => ['#777777', 4.48],
    'red' => ['#ff0000', 4.00], 'blue' => ['#0000ff', 8.59],
]);

it('refuses a colour that is too light, or none', function (string $hex): void {
    expect(fn () => InkColour::from($hex, '/colour'))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe('/colour'));
})->with(['#777777', '#fff', 'red', '#12345g', '']);

it('takes one that can be read', fn () => expect(InkColour::from('#76767A', '/colour')->hex)->toBe('#76767a'));

it('draws a badge as a disc that is whole XML, whatever it is called', function (string $name, int $lines): void {
    $svg = BadgeDisc::svg($name, 'Gullwick & Lantern <Crew>', '#1f4e5f', '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4" width="4mm" height="4mm"><rect width="4" height="4"/></svg>');
    $document = new DOMDocument;
    expect($document->loadXML($svg))->toBeTrue()->and($document->getElementsByTagName('tspan')->length)->toBe($lines);
    // The knot keeps its own measures, and stands where the disc has room.
    expect($svg)->toContain('<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 4 4" x="90"')->toContain('<rect width="4" height="4"/>');
    $size = (int) $document->getElementsByTagName('text')->item(0)?->getAttribute('font-size');
    foreach ($document->getElementsByTagName('tspan') as $line) {
        // A bold letter is about 0.68 of its size wide.
        expect(mb_strlen($line->textContent) * 0.68 * $size)->toBeLessThan(450.0);
    }
})->with([['Rigger', 1], ['Lantern Hand', 1], ['Green Captain of the Midwinter Walk', 2], ['"Ropes & <Knots>"', 1], [str_repeat('W', 40), 1], [implode(' ', array_fill(0, 16, 'knot')), 2]]);
