<?php

declare(strict_types=1);

namespace App\Http;

use Compadre\Core\Data\Schema;
use Illuminate\Support\Facades\File;
use RuntimeException;
use Symfony\Component\Yaml\Yaml;

/**
 * The OpenAPI document that requests are held to (and, in the tests, answers too).
 */
final class ApiDocument
{
    /** @var array<string, mixed> */
    private array $document;

    public function __construct()
    {
        $this->document = self::kept(base_path('api/openapi.yaml'));
    }

    /**
     * As PHP, under a name of its own for every change: the web server keeps that in memory for all requests.
     *
     * @return array<string, mixed>
     */
    private static function kept(string $file): array
    {
        $folder = storage_path('framework/cache');
        $kept = "$folder/api-".filemtime($file).'.php';
        if (! is_file($kept)) {
            $before = array_diff(File::glob("$folder/api-*.php"), [$kept]);
            File::ensureDirectoryExists($folder);
            File::replace($kept, '<?php return '.var_export(Yaml::parseFile($file), true).';');
            File::delete($before);
        }

        /** @var array<string, mixed> $document */
        $document = require $kept;

        return $document;
    }

    /** @return array<string, mixed> */
    public function paths(): array
    {
        return $this->branch($this->document, ['paths']);
    }

    /** @return ?array<string, mixed> */
    public function operation(string $path, string $method): ?array
    {
        $operation = $this->branch($this->document, ['paths', $path, strtolower($method)]);

        return $operation === [] ? null : $operation;
    }

    /**
     * The parameters of an operation, its path's included, with their schemas.
     *
     * @return list<array{name: string, in: string, required: bool, schema: array<string, mixed>}>
     */
    public function parameters(string $path, string $method): array
    {
        $found = [];
        foreach ([...$this->branch($this->document, ['paths', $path, 'parameters']), ...$this->branch($this->document, ['paths', $path, strtolower($method), 'parameters'])] as $entry) {
            $parameter = is_array($entry) ? $this->resolved($entry) : [];
            $found[] = [
                'name' => is_string($parameter['name'] ?? null) ? $parameter['name'] : '',
                'in' => is_string($parameter['in'] ?? null) ? $parameter['in'] : '',
                'required' => ($parameter['required'] ?? false) === true,
                'schema' => $this->branch($parameter, ['schema']),
            ];
        }

        return $found;
    }

    /** @return ?array<string, mixed> */
    public function bodySchema(string $path, string $method): ?array
    {
        $body = $this->resolved($this->branch($this->document, ['paths', $path, strtolower($method), 'requestBody']));

        return $this->found($this->branch($body, ['content', 'application/json', 'schema']));
    }

    public function wantsBody(string $path, string $method): bool
    {
        return ($this->resolved($this->branch($this->document, ['paths', $path, strtolower($method), 'requestBody']))['required'] ?? false) === true;
    }

    /** @return ?array<string, mixed> null when the document knows no such answer, or one without a body */
    public function responseSchema(string $path, string $method, int $status): ?array
    {
        $response = $this->resolved($this->branch($this->document, ['paths', $path, strtolower($method), 'responses', (string) $status]));

        return $this->found($this->branch($response, ['content', 'application/json', 'schema']));
    }

    /** @return array<string, mixed> a shared schema, by its name */
    public function component(string $name): array
    {
        return ['$ref' => "#/components/schemas/$name"];
    }

    /** @param  array<string, mixed>  $schema */
    public function hold(mixed $data, array $schema): void
    {
        // References are looked up from the root, so the shared schemas travel with it: those it leads to, for each costs time to read.
        $shared = [];
        $this->gather($schema, $shared);
        Schema::hold($data, $schema + ['components' => ['schemas' => $shared]]);
    }

    /**
     * The shared schemas that a schema refers to, and those that they refer to.
     *
     * @param  array<array-key, mixed>  $schema
     * @param  array<string, mixed>  $shared
     */
    private function gather(array $schema, array &$shared): void
    {
        foreach ($schema as $key => $part) {
            if ($key === '$ref' && is_string($part)) {
                $name = substr($part, strlen('#/components/schemas/'));
                if (! isset($shared[$name])) {
                    $shared[$name] = $this->branch($this->document, ['components', 'schemas', $name]);
                    $this->gather($shared[$name], $shared);
                }
            } elseif (is_array($part)) {
                $this->gather($part, $shared);
            }
        }
    }

    /**
     * @param  array<string, mixed>  $schema
     * @return ?array<string, mixed>
     */
    private function found(array $schema): ?array
    {
        return $schema === [] ? null : $schema;
    }

    /**
     * @param  array<mixed>  $entry
     * @return array<string, mixed>
     */
    private function resolved(array $entry): array
    {
        $reference = $entry['$ref'] ?? null;
        if (! is_string($reference)) {
            /** @var array<string, mixed> $entry */
            return $entry;
        }
        $target = $this->branch($this->document, explode('/', substr($reference, 2)));

        return $target === [] ? throw new RuntimeException("The API document has no $reference.") : $target;
    }

    /**
     * @param  array<mixed>  $from
     * @param  list<string>  $keys
     * @return array<string, mixed>
     */
    private function branch(array $from, array $keys): array
    {
        foreach ($keys as $key) {
            $from = $from[$key] ?? null;
            if (! is_array($from)) {
                return [];
            }
        }

        /** @var array<string, mixed> $from */
        return $from;
    }
}
