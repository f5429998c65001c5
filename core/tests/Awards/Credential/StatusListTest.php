<?php

declare(strict_types=1);

use Compadre\Core\Awards\Credential\Base64Url;
use Compadre\Core\Awards\Credential\StatusList;
use Compadre\Core\Refusal;

it('reads the list of the standard, in which nothing was taken back', function (): void {
    // Bitstring Status List 1.0, example 2.
    $list = StatusList::read('uH4sIAAAAAAAAA-3BMQEAAADCoPVPbQwfoAAAAAAAAAAAAAAAAAAAAIC3AYbSVKsAQAAA');
    expect($list)->not->toBeNull()->and($list->isSet(0))->toBeFalse()->and($list->isSet(131_071))->toBeFalse()->and($list->isSet(131_072))->toBeNull()->and($list->isSet(-1))->toBeNull();
});

it('says of each place what was set, as a plain row of signs does', function (int $seed): void {
    mt_srand($seed);
    $set = array_map(static fn (): int => mt_rand(0, StatusList::LENGTH - 1), range(1, mt_rand(1, 400)));
    $row = str_repeat('0', StatusList::LENGTH);
    foreach ($set as $place) {
        $row[$place] = '1';
    }
    $encoded = StatusList::of($set)->encoded();
    $list = StatusList::read($encoded);
    foreach ([...$set, ...array_map(static fn (int $one): int => min(StatusList::LENGTH - 1, $one + 1), $set), 0, StatusList::LENGTH - 1] as $place) {
        expect($list->isSet($place))->toBe($row[$place] === '1', (string) $place);
    }
    // The first place is the leftmost bit of the first byte.
    $bits = (string) gzdecode((string) Base64Url::read(substr($encoded, 1)));
    expect(implode('', array_map(static fn (string $byte): string => sprintf('%08b', ord($byte)), str_split($bits))))->toBe($row);
})->with(range(1, 20));

it('reads no list that is short, endless, or none', function (): void {
    $packed = static fn (string $bytes): string => 'u'.Base64Url::of((string) gzencode($bytes, 9));
    foreach ([$packed(str_repeat("\0", 16_383)), $packed(str_repeat("\0", 50_000_000)), 'x', '', 'u', 'uAAAA', substr($packed(str_repeat("\0", 16_384)), 1)] as $text) {
        expect(StatusList::read($text))->toBeNull();
    }
    expect(StatusList::read($packed(str_repeat("\xFF", 16_384)))?->isSet(77))->toBeTrue();
    expect(fn () => StatusList::of([131_072]))->toThrow(Refusal::class);
});
