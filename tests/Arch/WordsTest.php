<?php

declare(strict_types=1);

use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Overlay;

test('PHP and the browser say every message alike', function () {
    $said = saidByNode('say.mjs');
    expect(count($said))->toBeGreaterThan(1000);
    foreach ($said as $one) {
        $format = MessageFormatter::create($one['locale'], $one['text']);
        expect($format)->not->toBeNull($one['text']);
        expect($format?->format($one['values']))->toBe($one['said'], $one['text']);
    }
});

test('the texts of packs in other languages are texts of those packs', function (): void {
    $words = dirname(__DIR__, 2).'/words';
    $faults = array_map(static fn (string $language): array => Overlay::of($words, $language)->faults(dirname($words).'/packs'), Catalogue::languages($words));
    expect(array_merge(...$faults))->toBe([]);
});

test('each file of words is written as it would be anew: no key stands twice', function () {
    $files = [...glob(dirname(__DIR__, 2).'/words/*/*.json') ?: [], ...glob(dirname(__DIR__, 2).'/words/*/*/*.json') ?: []];
    expect($files)->not->toBe([]);
    foreach ($files as $file) {
        $text = (string) file_get_contents($file);
        $again = json_encode(json_decode($text, false, flags: JSON_THROW_ON_ERROR), JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
        // Written anew, a key that stood twice is gone: the text is another.
        expect(preg_replace('/^( +)\1/m', '$1', $again)."\n")->toBe($text, $file);
    }
});
