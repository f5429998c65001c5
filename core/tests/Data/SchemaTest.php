<?php

declare(strict_types=1);

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Data\Pointer;
use Compadre\Core\Data\Schema;
use Compadre\Core\Refusal;
use Compadre\Core\Teaching\AgeBand;

/** What a refusal says: field, value and what is allowed. */
function refusalOf(Closure $act): array
{
    try {
        $act();
    } catch (Refusal $refusal) {
        expect($refusal->getMessage())->not->toBe('');

        return [$refusal->field, $refusal->value, $refusal->allowed];
    }

    return ['not refused', null, ''];
}

it('says in plain words what a schema would have allowed', function (array $schema, mixed $data, string $field, mixed $value, string $allowed): void {
    $whole = ['type' => 'object', 'additionalProperties' => false, 'required' => ['it'], 'properties' => ['it' => $schema]];
    expect(refusalOf(fn () => Schema::hold(['it' => $data], $whole)))->toBe(["/it$field", $value, $allowed]);
})->with([
    'a number for a text' => [['type' => 'string'], 7, '', 7, 'a text'],
    'a text for a number' => [['type' => 'number'], '7', '', '7', 'a number'],
    'a fraction for a whole number' => [['type' => 'integer'], 1.5, '', 1.5, 'a whole number'],
    'a number for yes or no' => [['type' => 'boolean'], 1, '', 1, 'true or false'],
    'one of two types' => [['type' => ['string', 'null']], 3, '', 3, 'a text or nothing (null)'],
    'none of a few words' => [['enum' => ['mm', 'inches']], 'feet', '', 'feet', 'one of mm, inches'],
    'another constant' => [['const' => 1], 2, '', 2, 'only 1'],
    'too small' => [['type' => 'number', 'minimum' => 3, 'maximum' => 9], 2, '', 2, 'at least 3 and at most 9'],
    'too large' => [['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 100], 101, '', 101, 'more than 0 and at most 100'],
    'nothing at all' => [['type' => 'number', 'exclusiveMinimum' => 0], 0, '', 0, 'more than 0'],
    'too short' => [['type' => 'string', 'minLength' => 1, 'maxLength' => 3], '', '', '', 'at least 1 and at most 3 characters'],
    'too long' => [['type' => 'string', 'maxLength' => 3], 'rope', '', 'rope', 'at most 3 characters'],
    'too few' => [['type' => 'array', 'minItems' => 2], [1], '', [1], 'at least 2 entries'],
    'one twice' => [['type' => 'array', 'uniqueItems' => true], [1, 1], '', [1, 1], 'each entry once'],
    'no date' => [['type' => 'string', 'format' => 'date'], 'Thursday', '', 'Thursday', 'a date as 2026-11-24'],
    'a day that is none' => [['type' => 'string', 'format' => 'date'], '2026-02-30', '', '2026-02-30', 'a date as 2026-11-24'],
    'no time' => [['type' => 'string', 'format' => 'date-time'], '18:30', '', '18:30', 'a time as 2026-11-24T18:30:00Z'],
    'no UUID' => [['type' => 'string', 'format' => 'uuid'], '12', '', '12', 'a UUID'],
    'no address' => [['type' => 'string', 'format' => 'email'], 'maren', '', 'maren', 'an e-mail address'],
    'another pattern' => [['type' => 'string', 'pattern' => '^[ou]*$'], 'oxo', '', 'oxo', 'text of the form ^[ou]*$'],
    'a pattern with words' => [['type' => 'string', 'pattern' => '^\d', 'x-allowed' => 'a digit first'], 'a', '', 'a', 'a digit first'],
    'an entry of a list' => [['type' => 'array', 'items' => ['type' => 'string']], ['a', 5], '/1', 5, 'a text'],
    'a field that is missing' => [['type' => 'object', 'required' => ['name']], new stdClass, '/name', null, 'a value: this field is needed'],
    'a field too many' => [['type' => 'object', 'additionalProperties' => false, 'properties' => ['name' => ['type' => 'string']]], ['colour' => 'red'], '/colour', 'red', 'only the fields name'],
    'a field where none is' => [['type' => 'object', 'additionalProperties' => false], ['colour' => 'red'], '/colour', 'red', 'no fields here'],
]);

it('lets through what is allowed', function (): void {
    $schema = ['type' => 'object', 'properties' => ['diameter_mm' => ['type' => 'number', 'exclusiveMinimum' => 0], 'names' => ['type' => 'array', 'items' => ['type' => 'string']]]];
    expect(refusalOf(fn () => Schema::hold(['diameter_mm' => 8.5, 'names' => ['a', 'b']], $schema))[0])->toBe('not refused');
    // An empty map is an object, and an empty list a list.
    expect(refusalOf(fn () => Schema::hold(Json::read('{"names":[]}'), $schema))[0])->toBe('not refused');
});

it('writes places as JSON pointers', function (): void {
    expect(Pointer::of([]))->toBe('');
    expect(Pointer::of(['events', '3', 'rope']))->toBe('/events/3/rope');
    expect(Pointer::of(['a/b', 'c~d']))->toBe('/a~1b/c~0d');
});

it('reads fields as what they are, and names the one that is not', function (Closure $read, array $refused): void {
    $fields = Fields::of(['text' => 'a', 'whole' => 3, 'number' => 2.5, 'flag' => true, 'list' => [1, 'b'], 'texts' => ['a', 4], 'object' => ['x' => 1.5], 'objects' => [['x' => 1], 7], 'map' => ['k' => ['x' => 1]], 'null' => null], '/here');
    expect(refusalOf(fn () => $read($fields)))->toBe($refused);
})->with([
    'text' => [fn (Fields $f) => $f->text('whole'), ['/here/whole', 3, 'a text']],
    'a missing text' => [fn (Fields $f) => $f->text('none'), ['/here/none', null, 'a text']],
    'whole' => [fn (Fields $f) => $f->whole('number'), ['/here/number', 2.5, 'a whole number']],
    'number' => [fn (Fields $f) => $f->number('text'), ['/here/text', 'a', 'a number']],
    'choice' => [fn (Fields $f) => $f->choice('text', AgeBand::class), ['/here/text', 'a', 'one of 5-7, 8-10, 11-13, 14+']],
    'a choice that is no text' => [fn (Fields $f) => $f->choice('whole', AgeBand::class, AgeBand::From14), ['/here/whole', 3, 'one of 5-7, 8-10, 11-13, 14+']],
    'a missing choice' => [fn (Fields $f) => $f->choice('none', AgeBand::class), ['/here/none', null, 'one of 5-7, 8-10, 11-13, 14+']],
    'flag' => [fn (Fields $f) => $f->flag('whole'), ['/here/whole', 3, 'true or false']],
    'list' => [fn (Fields $f) => $f->list('object'), ['/here/object', ['x' => 1.5], 'a list']],
    'texts' => [fn (Fields $f) => $f->texts('texts'), ['/here/texts/1', 4, 'a text']],
    'object' => [fn (Fields $f) => $f->object('text'), ['/here/text', 'a', 'an object']],
    'objects' => [fn (Fields $f) => $f->objects('objects'), ['/here/objects/1', 7, 'an object']],
    'within an object' => [fn (Fields $f) => $f->object('object')->text('x'), ['/here/object/x', 1.5, 'a text']],
    'within a map' => [fn (Fields $f) => $f->map('map')['k']->text('x'), ['/here/map/k/x', 1, 'a text']],
]);

it('reads what is there, and its defaults where nothing is', function (): void {
    $fields = Fields::of(['text' => 'a', 'whole' => 3, 'object' => ['x' => 1, 'y' => 2.5], 'null' => null]);
    expect($fields->text('none', 'b'))->toBe('b')->and($fields->textOrNull('none'))->toBeNull()->and($fields->textOrNull('text'))->toBe('a');
    expect($fields->whole('none', 4))->toBe(4)->and($fields->wholeOrNull('whole'))->toBe(3)->and($fields->wholeOrNull('null'))->toBeNull();
    expect($fields->number('whole'))->toBe(3.0)->and($fields->numberOrNull('none'))->toBeNull();
    expect($fields->flag('none'))->toBeFalse()->and($fields->list('none'))->toBe([])->and($fields->objects('none'))->toBe([])->and($fields->map('none'))->toBe([]);
    expect($fields->object('object')->numbers('none') ?? null)->toBe([]);
})->throws(Refusal::class, '/object/none');

it('reads a choice, or what it is without one', function (): void {
    $fields = Fields::of(['band' => '8-10']);
    expect($fields->choice('band', AgeBand::class))->toBe(AgeBand::From8)->and($fields->choiceOrNull('band', AgeBand::class))->toBe(AgeBand::From8);
    expect($fields->choice('none', AgeBand::class, AgeBand::From5))->toBe(AgeBand::From5)->and($fields->choiceOrNull('none', AgeBand::class))->toBeNull();
});

it('reads numbers by key', function (): void {
    expect(Fields::of(['to' => ['left' => 3, 'right' => 4.5]])->numbers('to'))->toBe(['left' => 3.0, 'right' => 4.5]);
    expect(refusalOf(fn () => Fields::of(['to' => ['left' => '3']])->numbers('to')))->toBe(['/to/left', '3', 'a number']);
});

it('refuses what is no JSON, and writes what is', function (): void {
    expect(refusalOf(fn () => Json::read('{"a":'))[0])->toBe('');
    expect(Json::write(['name' => 'Ødegård/½', 'empty' => new stdClass, 'whole' => 1.0]))->toBe('{"name":"Ødegård/½","empty":{},"whole":1.0}');
    expect(Json::arrays(Json::read('{"a":{"b":[1,{"c":2}]}}')))->toBe(['a' => ['b' => [1, ['c' => 2]]]]);
});

it('shortens a long value when it says it back', function (): void {
    $refusal = Refusal::of('/note', str_repeat('x', 500), 'data.most_characters', ['most' => 400]);
    expect(mb_strlen($refusal->getMessage()))->toBeLessThan(160);
    expect($refusal->getMessage())->toStartWith('/note is "xxx')->toEndWith('allowed: at most 400 characters.');
    expect($refusal->below('/events/2')->field)->toBe('/events/2/note');
    expect(Refusal::of('', null, 'data.object')->getMessage())->toStartWith('the input is null');
});
