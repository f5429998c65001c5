<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Refusal;
use JsonException;
use stdClass;

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
            throw Refusal::of($field, mb_strimwidth(mb_scrub($text), 0, 60, '…'), 'data.json', ['why' => $fault->getMessage()]);
        }

        if (! self::settle($data)) {
            throw Refusal::of(self::endless($data, $field) ?? $field, null, 'data.endless');
        }

        return $data;
    }

    /** In place: 1000.0 is the whole number 1000. Says whether every number can be held; one that is too large is none. */
    private static function settle(mixed &$data): bool
    {
        if (is_float($data)) {
            if (! is_finite($data)) {
                return false;
            }
            $data = abs($data) <= 2 ** 53 && floor($data) === $data ? (int) $data : $data;
        } elseif (is_array($data)) {
            foreach ($data as &$value) {
                if (! is_string($value) && ! self::settle($value)) {
                    return false;
                }
            }
        } elseif ($data instanceof stdClass) {
            foreach (get_object_vars($data) as $name => $value) {
                if (! is_string($value)) {
                    if (! self::settle($value)) {
                        return false;
                    }
                    $data->{$name} = $value;
                }
            }
        }

        return true;
    }

    /** Where the first number is that cannot be held: worked out only once there is one. */
    private static function endless(mixed $data, string $at): ?string
    {
        if (is_float($data)) {
            return is_finite($data) ? null : $at;
        }
        foreach (is_array($data) || $data instanceof stdClass ? (array) $data : [] as $key => $value) {
            $found = self::endless($value, $at.Pointer::of([(string) $key]));
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    /** Objects as arrays by key. */
    public static function arrays(mixed $data): mixed
    {
        if (is_object($data)) {
            $data = get_object_vars($data);
        }

        if (is_array($data)) {
            foreach ($data as $key => $value) {
                if (! is_scalar($value)) {
                    $data[$key] = self::arrays($value);
                }
            }
        }

        return $data;
    }

    public static function file(string $file): mixed
    {
        $text = is_file($file) ? file_get_contents($file) : false;
        if ($text === false) {
            throw Refusal::of('', $file, 'data.unreadable', ['file' => $file]);
        }

        return self::read($text);
    }

    public static function write(mixed $data): string
    {
        return json_encode($data, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION);
    }
}
