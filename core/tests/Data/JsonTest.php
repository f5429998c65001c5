<?php

declare(strict_types=1);

use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Random\Engine\Mt19937;
use Random\Randomizer;

/** Data of every kind that JSON knows, of a depth. */
function someJson(Randomizer $chance, int $depth): mixed
{
    $kind = $chance->getInt(0, $depth > 0 ? 9 : 6);
    if ($kind < 7) {
        return [null, true, 'a/b~c "é" 🪢', '1.0', $chance->getInt(-5, 5), $chance->getInt(-9, 9) * 1.0, $chance->getInt(-999, 999) / 64][$kind];
    }
    $many = $chance->getInt(0, 4);
    if ($kind === 7) {
        return array_map(static fn (): mixed => someJson($chance, $depth - 1), array_fill(0, $many, 0));
    }
    $data = new stdClass;
    for ($n = 0; $n < $many; $n++) {
        $data->{['', '0', 'x/y', 'é', 'left', '~', '-1'][$chance->getInt(0, 6)]} = someJson($chance, $depth - 1);
    }

    return $data;
}

/** The plain way: value by value, each made anew. */
function wholeNumbers(mixed $data): mixed
{
    return match (true) {
        is_float($data) => $data === floor($data) && abs($data) <= 9007199254740992.0 ? (int) $data : $data,
        is_array($data) => array_map(wholeNumbers(...), $data),
        is_object($data) => (object) array_map(wholeNumbers(...), (array) $data),
        default => $data,
    };
}

/** @return array{string, mixed, string} what is said of text that is refused */
function unread(string $text): array
{
    try {
        Json::read($text, '/body');
    } catch (Refusal $refusal) {
        return [$refusal->field, $refusal->value, $refusal->allowed];
    }

    return ['', null, 'it was read'];
}

it('reads what was written, whole numbers as such, objects apart from lists', function (): void {
    $chance = new Randomizer(new Mt19937(2026));
    for ($n = 0; $n < 500; $n++) {
        $text = Json::write(someJson($chance, 4));
        $read = Json::read($text);
        expect(serialize($read))->toBe(serialize(wholeNumbers(json_decode($text))));
        expect(Json::arrays($read))->toBe(wholeNumbers(json_decode($text, true)));
        expect(json_encode($read))->toBe(json_encode(wholeNumbers(json_decode($text))));
    }
    expect(Json::read('[1.0, -0.0, 9007199254740992.0, 9007199254740994.0, 12345678901234567890]'))
        ->toBe([1, 0, 9007199254740992, 9007199254740994.0, 12345678901234567890.0]);
});

it('names the first number that is too large, wherever it is', function (string $text, string $at): void {
    expect(unread($text))->toBe([$at, null, 'a number that can be held, up to about 1.8e308']);
})->with([
    'alone' => ['1e400', '/body'],
    'in a list' => ['[1, -1e400, 1e400]', '/body/1'],
    'under a name with marks' => ['{"a": [1.5], "x/y~z": [{"": 1e999}]}', '/body/x~1y~0z/0/'],
    'after an empty object' => ['{"a": {}, "0": [[], 1e309]}', '/body/0/1'],
]);

it('says where text is no JSON at all', function (): void {
    expect(unread('{"a": '))->toBe(['/body', '{"a": ', 'valid JSON in UTF-8']);
});
