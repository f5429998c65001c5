<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

/**
 * A file in JSON that says what it is.
 */
final class JsonFile
{
    private const VERSION = 1;

    /** @param  array<string, mixed>  $parts */
    public static function write(string $format, array $parts): string
    {
        return json_encode(['format' => $format, 'version' => self::VERSION] + $parts, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }

    /**
     * @param  string  $list  what a bare list, or a bare entry of it, is taken for
     *
     * @throws Refusal for another kind of file, or another version
     */
    public static function read(string $bytes, string $format, string $list): Fields
    {
        $data = Json::arrays(Json::read($bytes));
        if (! is_array($data)) {
            throw self::refused($format);
        }
        if (! isset($data['format'])) {
            return array_is_list($data) || isset($data['id']) ? Fields::of([$list => array_is_list($data) ? $data : [$data]]) : throw self::refused($format);
        }
        if ($data['format'] !== $format) {
            throw self::refused($format);
        }
        if (($data['version'] ?? null) !== self::VERSION) {
            throw Refusal::saying('/bytes', $data['version'] ?? null, 'version '.self::VERSION, 'This file was written by another version of Compadre than this one. Nothing was taken in.');
        }

        return Fields::of($data);
    }

    private static function refused(string $format): Refusal
    {
        return Refusal::saying('/bytes', null, "a file of the format $format", "This is no file of the format $format. Nothing was taken in.");
    }
}
