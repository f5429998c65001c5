<?php

declare(strict_types=1);

use Compadre\Core\Refusal;
use Compadre\Core\Words\Catalogue;
use Compadre\Core\Words\Day;
use Compadre\Core\Words\Saying;

/** A folder of words with a language beside English, which says but some of it. */
function folderOfWords(string $language, array $rooms): string
{
    $folder = sys_get_temp_dir().'/words-'.bin2hex(random_bytes(6));
    mkdir("$folder/$language/answers", 0755, true);
    mkdir("$folder/en");
    foreach ($rooms as $room => $messages) {
        file_put_contents("$folder/$language/answers/$room.json", json_encode([$room => $messages], JSON_THROW_ON_ERROR));
    }

    return $folder;
}

it('says what is put in as it is', function (string|int|float|array|Saying|Day $value, string $said): void {
    expect(Catalogue::english()->say(new Saying('any.one_of', ['list' => $value])))->toBe("one of $said");
})->with([
    'a text' => ['bowline', 'bowline'],
    'what looks like a message' => ['{n} # it’s \'quoted\' <b>', '{n} # it’s \'quoted\' <b>'],
    'what is no UTF-8' => ["rope\xff", 'rope?'],
    'a whole number' => [10_000, '10000'],
    'one below zero' => [-3, '-3'],
    'decimals' => [0.1 + 0.2, '0.3'],
    'a small one' => [0.000001, '0.000001'],
    'a list' => [['bowline', 3, new Saying('data.text')], 'bowline, 3, a text'],
    'nothing' => [[], ''],
    'a saying' => [new Saying('any.just', ['text' => 'this']), 'this'],
    'a day' => [new Day('2026-10-03'), '3 October 2026'],
]);

it('joins what belongs together', function (): void {
    $all = [new Saying('data.text'), new Saying('data.number'), new Saying('data.nothing')];
    expect(Catalogue::english()->say(Saying::either($all)))->toBe('a text or a number or nothing (null)')
        ->and(Catalogue::english()->say(Saying::both([new Saying('any.at_least', ['least' => 1]), new Saying('any.at_most', ['most' => 2])])))->toBe('at least 1 and at most 2')
        ->and(Catalogue::english()->say(Saying::sentences([new Saying('awards.why_by_hand'), new Saying('awards.why_taken_back')])))->toEndWith('it. Say why it is taken back: the record keeps it.')
        ->and(Catalogue::english()->say(Saying::either([new Saying('data.text')])))->toBe('a text');
});

it('speaks another language as far as that goes, and English for the rest', function (): void {
    $words = folderOfWords('de', [
        'any' => ['at_most' => 'höchstens {most}', 'days' => 'ein Tag vom {first} bis {last}', 'refused' => '{field} ist {value}; erlaubt: {allowed}.'],
        'data' => ['most_characters' => 'höchstens {most, plural, one {# Zeichen} other {# Zeichen}}'],
        'rope' => ['measured' => ['message' => '{measured} mm kann nicht sein.']],
    ]);
    expect(Catalogue::languages($words))->toBe(['en', 'de']);
    $german = Catalogue::of($words, 'de');
    expect($german->say(new Saying('any.at_most', ['most' => 1234.5])))->toBe('höchstens 1234,5')
        ->and($german->say(new Saying('any.days', ['first' => new Day('2026-10-03'), 'last' => new Day('2026-12-24')])))->toBe('ein Tag vom 3. Oktober 2026 bis 24. Dezember 2026')
        ->and($german->say(new Saying('data.most_characters', ['most' => 12_000])))->toBe('höchstens 12.000 Zeichen')
        // English numbers in an English sentence.
        ->and($german->say(new Saying('any.at_least', ['least' => 0.5])))->toBe('at least 0.5')
        ->and(Catalogue::of($words, 'en'))->toBe(Catalogue::english());
    $half = Refusal::of('/measured_mm', 3, 'rope.measured', ['least' => 10, 'most' => 20, 'measured' => 3, 'knot' => 'Bowline', 'usual' => 15]);
    expect($half->messageIn($german))->toBe('3 mm kann nicht sein.')->and($half->allowedIn($german))->toBe('from 10 to 20 mm')
        ->and(Refusal::of('/a', 'x', 'any.at_most', ['most' => 2])->messageIn($german))->toBe('/a ist "x"; erlaubt: höchstens 2.');
});

it('refuses a code that there is no message of', function (): void {
    expect(Catalogue::english()->has('any.one_of'))->toBeTrue()->and(Catalogue::english()->has('any.one'))->toBeFalse()->and(Catalogue::english()->has('nowhere.one'))->toBeFalse();
    expect(fn () => Refusal::of('/a', 1, 'any.one'))->toThrow(LogicException::class, '"any.one"');
});

it('tells a refusal by its code and what the code is about', function (): void {
    $refusal = Refusal::of('/lines/2/length', 'x', 'any.either', ['first' => new Saying('any.days', ['first' => new Day('2026-10-03'), 'last' => 'later']), 'second' => new Saying('any.one_of', ['list' => ['a', 2]])]);
    expect(json_decode((string) json_encode($refusal->toArray()), true))->toBe([
        'field' => '/lines/2/length', 'value' => 'x', 'allowed' => 'a day from 3 October 2026 to later or one of a, 2',
        'message' => '/lines/2/length is "x"; allowed: a day from 3 October 2026 to later or one of a, 2.', 'code' => 'any.either',
        'parameters' => ['first' => ['code' => 'any.days', 'parameters' => ['first' => '2026-10-03', 'last' => 'later']], 'second' => ['code' => 'any.one_of', 'parameters' => ['list' => ['a', 2]]]],
    ])
        ->and(json_encode(Refusal::of('', [], 'data.text')->toArray()['parameters']))->toBe('{}')
        ->and(Refusal::of('', [], 'data.text')->getMessage())->toBe('the input is []; allowed: a text.');
});

it('finds a refusal elsewhere, and in a file', function (): void {
    $refusal = Refusal::of('/a', 1, 'rope.lashing', ['knot' => 'Bowline'])->in('knots.json')->below('/list/3');
    expect($refusal->field)->toBe('/list/3/a')->and($refusal->getMessage())->toBe('knots.json: /list/3/a: Bowline is reckoned from its poles; there is nothing to measure.')
        ->and($refusal->hasSentence())->toBeTrue()->and($refusal->at('/b')->getMessage())->toStartWith('knots.json: /b: ')
        ->and(Catalogue::english()->say($refusal->sentence()))->toStartWith('Bowline is')->and(Catalogue::english()->say($refusal->allowed()))->toBe('a knot that is no lashing');
});
