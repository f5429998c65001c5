<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Refusal;
use JsonException;

/**
 * JSON text in and out, with the core's own refusals.
 */
final class Json
{
    /** Objects stay objects, so that a schema can tell {} from []. */
    public static function read(string $text, string $field = ''): mixed
    {
        try {
            $data = json_decode($text, false, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $fault) {
            throw Refusal::saying($field, mb_strimwidth(mb_scrub($text), 0, 60, '…'), 'valid JSON in UTF-8', 'This is not JSON: '.$fault->getMessage().'.');
        }

        return self::numbers($data, $field);
    }

    /** 1000.0 is the whole number 1000; a number too large to be held is none. */
    private static function numbers(mixed $data, string $at): mixed
    {
        if (is_float($data)) {
            if (! is_finite($data)) {
                throw Refusal::saying($at, null, 'a number that can be held, up to about 1.8e308', 'A number is too large: allowed is up to about 1.8e308.');
            }

            return abs($data) <= 2 ** 53 && floor($data) === $data ? (int) $data : $data;
        }
        if (is_array($data)) {
            foreach ($data as $key => $value) {
                $data[$key] = self::numbers($value, $at.Pointer::of([(string) $key]));
            }
        } elseif (is_object($data)) {
            foreach (get_object_vars($data) as $key => $value) {
                $data->{$key} = self::numbers($value, $at.Pointer::of([(string) $key]));
            }
        }

        return $data;
    }

    /** Objects as arrays by key. */
    public static function arrays(mixed $data): mixed
    {
        if (is_object($data)) {
            $data = get_object_vars($data);
        }

        return is_array($data) ? array_map(self::arrays(...), $data) : $data;
    }

    public static function file(string $file): mixed
    {
        $text = is_file($file) ? file_get_contents($file) : false;
        if ($text === false) {
            throw Refusal::saying('', $file, 'a file that can be read', "The file $file cannot be read.");
        }

        return self::read($text);
    }

    public static function write(mixed $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }
}
