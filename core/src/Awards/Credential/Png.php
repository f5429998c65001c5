<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

/**
 * The parts of a PNG file: a length, a type, what is in it, and a sum that holds them together.
 */
final class Png
{
    public const SIGNATURE = "\x89PNG\r\n\x1a\n";

    /** @return ?non-empty-list<array{string, string}> types and what is in them; null where one is not whole */
    public static function chunks(string $png): ?array
    {
        $chunks = [];
        for ($at = strlen(self::SIGNATURE); $at < strlen($png); $at += 12 + $length) {
            $head = $at + 12 <= strlen($png) ? unpack('Nlength/a4type', $png, $at) : false;
            $length = is_array($head) && is_int($head['length']) ? $head['length'] : PHP_INT_MAX;
            if ($length > strlen($png) - $at - 12 || ! is_array($head) || ! is_string($head['type'])) {
                return null;
            }
            $data = substr($png, $at + 8, $length);
            if (substr($png, $at + 8 + $length, 4) !== pack('N', crc32($head['type'].$data))) {
                return null;
            }
            $chunks[] = [$head['type'], $data];
            if ($head['type'] === 'IEND') {
                break;
            }
        }

        return str_starts_with($png, self::SIGNATURE) && $chunks !== [] && $chunks[0][0] === 'IHDR' && $chunks[count($chunks) - 1][0] === 'IEND' ? $chunks : null;
    }

    /** @param  list<array{string, string}>  $chunks  types and what is in them */
    public static function of(array $chunks): string
    {
        return self::SIGNATURE.implode('', array_map(static fn (array $chunk): string => pack('N', strlen($chunk[1])).$chunk[0].$chunk[1].pack('N', crc32($chunk[0].$chunk[1])), $chunks));
    }
}
