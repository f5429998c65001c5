<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Opis\JsonSchema\Errors\ValidationError;

/**
 * Says in plain words what a schema would have allowed.
 */
final class SchemaWording
{
    public static function allowed(ValidationError $error): string
    {
        $args = $error->args();
        $schema = $error->schema()->info()->data();
        $about = is_object($schema) ? get_object_vars($schema) : [];

        return match ($error->keyword()) {
            'required' => 'a value: this field is needed',
            'additionalProperties', 'unevaluatedProperties' => self::names($about['properties'] ?? null),
            'type' => self::type($about['type'] ?? ($args['expected'] ?? '')),
            'enum' => 'one of '.self::list($about['enum'] ?? []),
            'const' => 'only '.json_encode($about['const'] ?? null, JSON_UNESCAPED_SLASHES),
            'minimum' => self::range($about),
            'maximum' => self::range($about),
            'exclusiveMinimum' => self::range($about),
            'exclusiveMaximum' => self::range($about),
            'minLength', 'maxLength' => self::span($about, 'Length', 'characters'),
            'minItems', 'maxItems' => self::span($about, 'Items', 'entries'),
            'minProperties', 'maxProperties' => self::span($about, 'Properties', 'fields'),
            'uniqueItems' => 'each entry once',
            'pattern', 'format' => self::form($about),
            'oneOf' => 'exactly one of the forms described',
            default => 'what the schema says for "'.$error->keyword().'"',
        };
    }

    private static function names(mixed $properties): string
    {
        $names = is_object($properties) ? array_keys(get_object_vars($properties)) : [];

        return $names === [] ? 'no fields here' : 'only the fields '.implode(', ', $names);
    }

    private static function type(mixed $type): string
    {
        $types = is_array($type) ? $type : [$type];
        $words = ['string' => 'a text', 'number' => 'a number', 'integer' => 'a whole number', 'boolean' => 'true or false',
            'array' => 'a list', 'object' => 'an object', 'null' => 'nothing (null)'];

        return implode(' or ', array_map(static fn (mixed $one): string => is_string($one) ? ($words[$one] ?? $one) : '', $types));
    }

    private static function list(mixed $values): string
    {
        $values = is_array($values) ? $values : [];

        return implode(', ', array_map(static fn (mixed $value): string => is_string($value) ? $value : (string) json_encode($value), $values));
    }

    /** @param  array<mixed>  $about */
    private static function range(array $about): string
    {
        $parts = [];
        foreach (['minimum' => 'at least', 'exclusiveMinimum' => 'more than', 'maximum' => 'at most', 'exclusiveMaximum' => 'less than'] as $key => $words) {
            if (isset($about[$key]) && is_scalar($about[$key])) {
                $parts[] = $words.' '.$about[$key];
            }
        }

        return implode(' and ', $parts);
    }

    /** @param  array<mixed>  $about */
    private static function span(array $about, string $what, string $unit): string
    {
        $least = $about['min'.$what] ?? null;
        $most = $about['max'.$what] ?? null;
        $parts = [];
        if (is_int($least)) {
            $parts[] = 'at least '.$least;
        }
        if (is_int($most)) {
            $parts[] = 'at most '.$most;
        }

        return implode(' and ', $parts).' '.$unit;
    }

    /** @param  array<mixed>  $about */
    private static function form(array $about): string
    {
        if (is_string($about['x-allowed'] ?? null)) {
            return $about['x-allowed'];
        }
        $formats = ['date' => 'a date as 2026-11-24', 'date-time' => 'a time as 2026-11-24T18:30:00Z', 'uuid' => 'a UUID', 'email' => 'an e-mail address'];
        if (is_string($about['format'] ?? null)) {
            return $formats[$about['format']] ?? $about['format'];
        }

        return 'text of the form '.(is_string($about['pattern'] ?? null) ? $about['pattern'] : '');
    }
}
