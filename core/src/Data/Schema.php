<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Refusal;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Helper;
use Opis\JsonSchema\Validator;

/**
 * Holds JSON data to a JSON Schema (draft 2020-12) and turns the first, deepest fault into a refusal.
 */
final class Schema
{
    /** @param  array<string, mixed>  $schema */
    public static function hold(mixed $data, array $schema): void
    {
        $validator = new Validator;
        $validator->setMaxErrors(1);
        $found = $validator->validate(Helper::toJSON($data), (object) Helper::toJSON($schema))->error();
        if ($found !== null) {
            throw self::refusal(self::deepest($found));
        }
    }

    private static function deepest(ValidationError $error): ValidationError
    {
        $under = array_values($error->subErrors())[0] ?? null;

        return $under instanceof ValidationError ? self::deepest($under) : $error;
    }

    private static function refusal(ValidationError $error): Refusal
    {
        $path = array_values(array_map(static fn (int|string|null $step): string => (string) $step, $error->data()->fullPath()));
        $arguments = $error->args();
        $value = $error->data()->value();
        $allowed = SchemaWording::allowed($error);
        if ($error->keyword() === 'required') {
            $missing = is_array($arguments['missing'] ?? null) ? $arguments['missing'] : [];
            $path[] = self::text(reset($missing));
            $value = null;
        }
        if (in_array($error->keyword(), ['additionalProperties', 'unevaluatedProperties'], true)) {
            $extra = is_array($arguments['properties'] ?? null) ? $arguments['properties'] : [];
            $name = self::text(reset($extra));
            $path[] = $name;
            $value = is_object($value) ? ($value->{$name} ?? null) : null;
        }

        return Refusal::because(Pointer::of($path), $value, $allowed);
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
