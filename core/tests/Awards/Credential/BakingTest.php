<?php

declare(strict_types=1);

use Compadre\Core\Awards\Credential\Baking;
use Compadre\Core\Refusal;

const BAKED_TOKEN = 'eyJhbGciOiJFZERTQSJ9.eyJhIjoxfQ.c2ln';
const BAKED_SVG = '<?xml version="1.0"?><svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 10 10"><title>A badge</title><rect width="10" height="10"/></svg>';

function bakedChunk(string $type, string $data): string
{
    return pack('N', strlen($data)).$type.$data.pack('N', crc32($type.$data));
}

/** One pixel, and whatever else stands in it. */
function bakedPng(string ...$more): string
{
    return "\x89PNG\r\n\x1a\n".bakedChunk('IHDR', pack('NNCCCCC', 1, 1, 8, 6, 0, 0, 0)).implode('', $more).bakedChunk('IDAT', (string) gzcompress("\0\xFF\0\0\xFF")).bakedChunk('IEND', '');
}

it('bakes a token into an SVG and a PNG, and finds it there', function (): void {
    $svg = Baking::intoSvg(BAKED_SVG, BAKED_TOKEN);
    expect(Baking::token($svg))->toBe(BAKED_TOKEN)->and($svg)->toContain('xmlns:openbadges="https://purl.imsglobal.org/ob/v3p0"')->toContain('<title>A badge</title>');
    // First in it, and nothing else is another.
    expect(preg_match('/<svg[^>]*><openbadges:credential[^>]*verify="'.preg_quote(BAKED_TOKEN, '/').'"\/?>/', $svg))->toBe(1);
    $png = Baking::intoPng(bakedPng(bakedChunk('tEXt', "Comment\0a text")), BAKED_TOKEN);
    expect(Baking::token($png))->toBe(BAKED_TOKEN)->and(substr($png, 33 + 4, 4))->toBe('iTXt')->and($png)->toContain("openbadgecredential\0\0\0\0\0".BAKED_TOKEN)->toContain("Comment\0a text");
    expect(Baking::token(" \n".BAKED_TOKEN."\r\n"))->toBe(BAKED_TOKEN)->and(Baking::token("\xEF\xBB\xBF".BAKED_TOKEN))->toBe(BAKED_TOKEN);
    // Baked twice it holds the last one alone.
    expect(Baking::token(Baking::intoSvg($svg, 'a.b.c')))->toBe('a.b.c')->and(Baking::token(Baking::intoPng($png, 'a.b.c')))->toBe('a.b.c');
});

it('reads one that others packed', function (): void {
    $packed = bakedChunk('iTXt', "openbadgecredential\0\1\0en\0x\0".gzcompress(BAKED_TOKEN));
    expect(Baking::token(bakedPng($packed)))->toBe(BAKED_TOKEN);
    expect(Baking::token('<svg xmlns="http://www.w3.org/2000/svg" xmlns:ob="https://purl.imsglobal.org/ob/v3p0"><ob:credential verify=" '.BAKED_TOKEN.' "></ob:credential></svg>'))->toBe(BAKED_TOKEN);
});

it('refuses what holds none, two, or one that is not whole', function (string $bytes): void {
    expect(fn () => Baking::token($bytes))->toThrow(fn (Refusal $refusal) => expect($refusal->field)->toBe('/file'));
})->with([
    'nothing' => [''], 'words' => ['a badge'], 'an SVG' => [BAKED_SVG], 'a PNG' => [bakedPng()], 'JSON' => ['{"type":"OpenBadgeCredential"}'],
    'two in a PNG' => [bakedPng(...array_fill(0, 2, bakedChunk('iTXt', "openbadgecredential\0\0\0\0\0".BAKED_TOKEN)))],
    'two in an SVG' => ['<svg xmlns="http://www.w3.org/2000/svg" xmlns:o="https://purl.imsglobal.org/ob/v3p0"><o:credential verify="a.b.c"/><o:credential verify="d.e.f"/></svg>'],
    'a bomb' => [bakedPng(bakedChunk('iTXt', "openbadgecredential\0\1\0\0\0".gzcompress(str_repeat('A', 30_000_000), 9)))],
    'a part that is none' => [bakedPng(bakedChunk('iTXt', "openbadgecredential\0"))],
    'cut off' => [substr(bakedPng(), 0, -3)], 'an endless part' => ["\x89PNG\r\n\x1a\n".pack('N', 0xFFFFFFFF).'IHDR'],
    'entities' => ['<!DOCTYPE svg [<!ENTITY a SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg">&a;</svg>'],
]);

it('gives out nothing but the token or a sentence, whatever was done to the file', function (int $seed): void {
    mt_srand($seed);
    foreach ([Baking::intoSvg(BAKED_SVG, BAKED_TOKEN), Baking::intoPng(bakedPng(), BAKED_TOKEN), BAKED_TOKEN] as $whole) {
        foreach (range(1, 60) as $ignored) {
            $bytes = $whole;
            foreach (range(1, mt_rand(1, 3)) as $once) {
                $at = mt_rand(0, max(0, strlen($bytes) - 1));
                $bytes = match (mt_rand(0, 3)) {
                    0 => substr($bytes, 0, $at),
                    1 => substr_replace($bytes, chr(mt_rand(0, 255)), $at, 1),
                    2 => substr_replace($bytes, substr($bytes, mt_rand(0, $at), 9), $at, 0),
                    default => substr_replace($bytes, '', $at, mt_rand(1, 9)),
                };
            }
            try {
                expect(Baking::token($bytes))->toBeString();
            } catch (Refusal $refusal) {
                expect($refusal->field)->toBe('/file');
            }
        }
    }
    // In a PNG every part is held against its sum: what was changed is not read.
    $png = Baking::intoPng(bakedPng(), BAKED_TOKEN);
    $at = mt_rand(8, strlen($png) - 1);
    expect(fn () => Baking::token(substr_replace($png, chr(ord($png[$at]) ^ 1 << mt_rand(0, 7)), $at, 1)))->toThrow(Refusal::class);
})->with(range(1, 12));
