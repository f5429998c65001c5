<?php

declare(strict_types=1);

use Compadre\Core\Teaching\Patrols;

it('takes a patrol for the one that is there, however it is typed', function (?string $typed, array $known, ?string $meant): void {
    expect(Patrols::meant($typed, $known))->toBe($meant);
})->with([
    'as it is' => ['Heron', ['Heron', 'Otter'], 'Heron'],
    'other capitals' => ['hERON', ['Otter', null, 'Heron'], 'Heron'],
    'with blanks' => ["  sand \t martin ", ['Sand Martin'], 'Sand Martin'],
    'letters with marks' => ['ÉMEU', ['Émeu'], 'Émeu'],
    'a new one' => [' Heron ', ['Otter', null], 'Heron'],
    'none' => [null, ['Heron'], null],
    'nothing but blanks' => ["\u{a0} \t", ['Heron'], null],
]);

/** How few rounds there can be, by trying: patrols that are still to be taught, so many stations a round as there are checkers. */
function roundsByTrying(int $patrols, int $checkers): int
{
    for ($rounds = 1, $left = $patrols; ; $rounds++) {
        for ($station = 0; $station < $checkers && $left > 0; $station++) {
            $left--;
        }
        if ($left === 0) {
            return $rounds;
        }
    }
}

it('counts the rounds that a knot for all takes', function (): void {
    for ($patrols = 0; $patrols <= 24; $patrols++) {
        for ($checkers = 1; $checkers <= 12; $checkers++) {
            expect(Patrols::rounds($patrols, $checkers))->toBe(roundsByTrying($patrols, $checkers), "$patrols patrols, $checkers checkers");
        }
    }
});

it('knows a patrol by its name as long as somebody is in it', function (?string $named, ?string $is): void {
    expect(Patrols::among($named, ['Gulls', 'Sand Martins']))->toBe($is);
})->with([['Gulls', 'Gulls'], ['gulls', 'Gulls'], ['  sand   MARTINS ', 'Sand Martins'], ['Terns', null], ['', null], [null, null]]);
