<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Http\ApiDocument;
use Compadre\Core\Refusal;
use Compadre\Core\Words\Saying;

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
     * @return ?Saying what is wrong with it
     */
    public function fault(string $method, string $path, array $body): ?Saying
    {
        try {
            $this->document->hold(json_decode((string) json_encode($body)), $this->document->bodySchema($path, $method) ?? []);
        } catch (Refusal $fault) {
            return self::said($fault);
        }

        return null;
    }

    /** With the field by its name: nobody who pasted a table knows of pointers. */
    public static function said(Refusal $fault): Saying
    {
        $name = ucfirst(str_replace(['_mm', '_'], ['', ' '], (string) preg_replace('#^.*/(?=[a-z])#', '', $fault->field)));

        return match (true) {
            $fault->why->code === 'data.needed' => new Saying('http.row_missing', ['name' => $name]),
            $fault->hasSentence() => $fault->sentence(),
            is_scalar($fault->value) => new Saying('http.row_refused', ['name' => $name, 'value' => '"'.mb_strimwidth((string) $fault->value, 0, 60, '…').'"', 'allowed' => $fault->allowed()]),
            default => new Saying('http.row_impossible', ['name' => $name, 'allowed' => $fault->allowed()]),
        };
    }
}
