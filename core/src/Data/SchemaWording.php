<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Words\Saying;
use Opis\JsonSchema\Errors\ValidationError;

/**
 * Says what a schema would have allowed.
 */
final class SchemaWording
{
    private const TYPES = ['string' => 'data.text', 'number' => 'data.number', 'integer' => 'data.whole', 'boolean' => 'data.flag', 'array' => 'data.list', 'object' => 'data.object', 'null' => 'data.nothing'];

    private const FORMATS = ['date' => 'data.day', 'date-time' => 'data.moment', 'uuid' => 'data.uuid', 'email' => 'data.email'];

    private const LIMITS = ['minimum' => 'any.at_least', 'exclusiveMinimum' => 'any.more_than', 'maximum' => 'any.at_most', 'exclusiveMaximum' => 'any.less_than'];

    public static function allowed(ValidationError $error): Saying
    {
        $args = $error->args();
        $schema = $error->schema()->info()->data();
        $about = is_object($schema) ? get_object_vars($schema) : [];

        return match ($error->keyword()) {
            'required' => new Saying('data.needed'),
            'additionalProperties', 'unevaluatedProperties' => self::names($about['properties'] ?? null),
            'type' => self::type($about['type'] ?? ($args['expected'] ?? '')),
            'enum' => new Saying('any.one_of', ['list' => self::list($about['enum'] ?? [])]),
            'const' => new Saying('data.only', ['value' => (string) json_encode($about['const'] ?? null, JSON_UNESCAPED_SLASHES)]),
            'minimum', 'maximum', 'exclusiveMinimum', 'exclusiveMaximum' => self::range($about),
            'minLength', 'maxLength' => self::span($about['minLength'] ?? null, $about['maxLength'] ?? null, 'data.least_characters', 'data.most_characters', 'data.characters'),
            'minItems', 'maxItems' => self::span($about['minItems'] ?? null, $about['maxItems'] ?? null, 'data.least_entries', 'data.most_entries', 'data.entries'),
            'minProperties', 'maxProperties' => self::span($about['minProperties'] ?? null, $about['maxProperties'] ?? null, 'data.least_fields', 'data.most_fields', 'data.fields'),
            'uniqueItems' => new Saying('data.entry_once'),
            'pattern', 'format' => self::form($about),
            'oneOf' => new Saying('data.one_form'),
            default => new Saying('data.schema', ['keyword' => $error->keyword()]),
        };
    }

    private static function names(mixed $properties): Saying
    {
        $names = is_object($properties) ? array_keys(get_object_vars($properties)) : [];

        return $names === [] ? new Saying('data.no_fields') : new Saying('data.only_fields', ['list' => $names]);
    }

    private static function type(mixed $type): Saying
    {
        $types = is_array($type) && $type !== [] ? array_values($type) : [$type];

        return Saying::either(array_map(static fn (mixed $one): Saying => is_string($one) && isset(self::TYPES[$one]) ? new Saying(self::TYPES[$one]) : new Saying('any.just', ['text' => is_string($one) ? $one : '']), $types));
    }

    /** @return list<string> */
    private static function list(mixed $values): array
    {
        return array_map(static fn (mixed $value): string => is_string($value) ? $value : (string) json_encode($value), is_array($values) ? array_values($values) : []);
    }

    /** @param  array<mixed>  $about */
    private static function range(array $about): Saying
    {
        $parts = [];
        foreach (self::LIMITS as $key => $code) {
            $limit = $about[$key] ?? null;
            if (is_int($limit) || is_float($limit)) {
                $parts[] = new Saying($code, [in_array($key, ['minimum', 'exclusiveMinimum'], true) ? 'least' : 'most' => $limit]);
            }
        }

        return $parts === [] ? new Saying('data.number') : Saying::both($parts);
    }

    private static function span(mixed $least, mixed $most, string $onlyLeast, string $onlyMost, string $both): Saying
    {
        return match (true) {
            is_int($least) && is_int($most) => new Saying($both, ['least' => $least, 'most' => $most]),
            is_int($most) => new Saying($onlyMost, ['most' => $most]),
            default => new Saying($onlyLeast, ['least' => is_int($least) ? $least : 0]),
        };
    }

    /** @param  array<mixed>  $about */
    private static function form(array $about): Saying
    {
        if (is_string($about['x-allowed'] ?? null)) {
            return new Saying('any.just', ['text' => $about['x-allowed']]);
        }
        if (is_string($about['format'] ?? null)) {
            return isset(self::FORMATS[$about['format']]) ? new Saying(self::FORMATS[$about['format']]) : new Saying('any.just', ['text' => $about['format']]);
        }

        return new Saying('data.form', ['pattern' => is_string($about['pattern'] ?? null) ? $about['pattern'] : '']);
    }
}
