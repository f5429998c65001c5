<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Http\ApiDocument;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;

/**
 * A file in JSON that says what it is; its schema is in the API document.
 */
final readonly class JsonFile
{
    private const VERSION = 1;

    public function __construct(private ApiDocument $document)
    {
    }

    /** @param  array<string, mixed>  $parts */
    public static function write(string $format, array $parts): string
    {
        return json_encode(['format' => $format, 'version' => self::VERSION] + $parts, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
    }

    /**
     * @param  string  $schema  its name in the API document
     * @param  string  $list  what a bare list, or a bare entry of it, is taken for
     *
     * @throws Refusal for another kind of file, another version, or what its schema does not allow
     */
    public function read(string $bytes, string $format, string $schema, string $list): Fields
    {
        $data = Json::arrays(Json::read($bytes));
        if (! is_array($data)) {
            throw self::refused($format);
        }
        if (! isset($data['format'])) {
            $data = ['format' => $format, 'version' => self::VERSION] + (array_is_list($data) || isset($data['id']) ? [$list => array_is_list($data) ? $data : [$data]] : throw self::refused($format));
        }
        if ($data['format'] !== $format) {
            throw self::refused($format);
        }
        if (($data['version'] ?? null) !== self::VERSION) {
            throw Refusal::of('/bytes', $data['version'] ?? null, 'along.other_version', ['version' => self::VERSION]);
        }

        try {
            $this->document->hold(json_decode(Json::write($data)), $this->document->component($schema));
        } catch (Refusal $fault) {
            throw Refusal::of('/bytes', null, 'along.rows_refused', ['allowed' => $fault->allowed(), 'fault' => ApiRow::said($fault)]);
        }

        return Fields::of($data);
    }

    private static function refused(string $format): Refusal
    {
        return Refusal::of('/bytes', null, 'along.other_format', ['format' => $format]);
    }
}
