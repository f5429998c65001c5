<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Http\ApiDocument;
use Compadre\Core\Refusal;

/**
 * A row that is kept as if it had been sent: it is held to the API document, which says what is allowed of each field.
 */
final readonly class ApiRow
{
    public function __construct(private ApiDocument $document)
    {
    }

    /**
     * @param  array<string, mixed>  $body
     * @return ?string what is wrong with it
     */
    public function fault(string $method, string $path, array $body): ?string
    {
        try {
            $this->document->hold(json_decode((string) json_encode($body)), $this->document->bodySchema($path, $method) ?? []);
        } catch (Refusal $fault) {
            return self::said($fault);
        }

        return null;
    }

    /** In words, with the field by its name: nobody who pasted a table knows of pointers. */
    public static function said(Refusal $fault): string
    {
        $about = $fault->toArray();
        $name = str_replace(['_mm', '_'], ['', ' '], (string) preg_replace('#^.*/(?=[a-z])#', '', $about['field']));

        if (str_contains($about['allowed'], 'this field is needed')) {
            return ucfirst($name).' is missing.';
        }

        return str_starts_with($about['message'], '/') || str_starts_with($about['message'], 'the input ')
            ? sprintf('%s is %s; allowed: %s.', ucfirst($name), is_scalar($about['value']) ? '"'.mb_strimwidth((string) $about['value'], 0, 60, '…').'"' : 'not possible like this', $about['allowed'])
            : $about['message'];
    }
}
