<?php

declare(strict_types=1);

test('PHP and the browser say every message alike', function () {
    $said = saidByNode('say.mjs');
    expect(count($said))->toBeGreaterThan(1000);
    foreach ($said as $one) {
        $format = MessageFormatter::create($one['locale'], $one['text']);
        expect($format)->not->toBeNull($one['text']);
        expect($format?->format($one['values']))->toBe($one['said'], $one['text']);
    }
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
