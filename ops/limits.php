<?php

declare(strict_types=1);

/**
 * Writes what the fields of the API may hold as the attributes of an input, from the API document and the schema of badges:
 * changeLearner = {"name": {"maxLength": 40}}; for lists `most` entries. With them go the
 * core's own constants that a screen without a network has to know.
 */

use Compadre\Core\Awards\InkColour;
use Compadre\Core\Rope\Measure;
use Symfony\Component\Yaml\Yaml;

require dirname(__DIR__).'/vendor/autoload.php';

/**
 * @param  array<string, mixed>  $schema
 * @param  array<string, array<string, mixed>>  $named  schemas that may be referred to
 * @return array<string, mixed>
 */
function limits(array $schema, array $named): array
{
    if (isset($schema['$ref'])) {
        // Fields that share a schema share its limits; whole things that are referred to are listed by their own names.
        $shared = $named[basename($schema['$ref'])] ?? [];

        return isset($shared['properties']) ? [] : limits(array_diff_key($shared, ['items' => 1, 'anyOf' => 1, '$ref' => 1]), []);
    }
    $found = array_filter([
        'minLength' => ($schema['minLength'] ?? 0) > 1 ? $schema['minLength'] : null, 'maxLength' => $schema['maxLength'] ?? null,
        'min' => $schema['minimum'] ?? null, 'max' => $schema['maximum'] ?? null, 'most' => $schema['maxItems'] ?? null,
    ], static fn (int|float|null $limit): bool => $limit !== null);
    foreach ($schema['properties'] ?? [] as $name => $field) {
        $found[$name] = limits($field, $named);
    }
    if (isset($schema['items'])) {
        $found += limits($schema['items'], $named);
    }

    return array_filter($found, static fn (mixed $one): bool => $one !== []);
}

$constants = ['finger_mm' => Measure::FINGER, 'usual_ink' => InkColour::USUAL];
$document = Yaml::parseFile(dirname(__DIR__).'/api/openapi.yaml');
$badge = json_decode((string) file_get_contents(dirname(__DIR__).'/packs/schema/badge.schema.json'), true, flags: JSON_THROW_ON_ERROR);
$named = $document['components']['schemas'];
$all = ['Badge' => limits($badge, []), 'BadgeRequirement' => limits($badge['$defs']['requirement'], [])];
foreach ($named as $name => $schema) {
    $all[$name] = limits($schema, $named);
}
foreach ($document['paths'] as $path) {
    foreach (['post', 'put', 'delete'] as $verb) {
        $body = $path[$verb]['requestBody']['content']['application/json']['schema'] ?? null;
        if ($body !== null && ! isset($body['$ref'])) {
            $all[$path[$verb]['operationId']] = limits($body, $named);
        }
    }
}
foreach (array_filter($constants + $all) as $name => $limits) {
    echo "export const $name = ", json_encode($limits, JSON_PRETTY_PRINT | JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES), ";\n";
}
