<?php

declare(strict_types=1);

namespace App\Along\Sheets;

/**
 * What was brought, row by row.
 */
final readonly class Looked
{
    /**
     * @param  list<Row>  $rows
     * @param  list<string>  $leftOut  columns that nobody asked for
     */
    public function __construct(public array $rows, public string $encoding = 'UTF-8', public array $leftOut = [])
    {
    }

    /** @return list<Row> */
    public function toTake(): array
    {
        return array_values(array_filter($this->rows, static fn (Row $row): bool => $row->isToTake()));
    }

    public function count(string $state): int
    {
        return count(array_filter($this->rows, static fn (Row $row): bool => $row->state === $state));
    }

    /** @return array<string, mixed> */
    public function about(): array
    {
        return [
            'rows' => array_map(static fn (Row $row): array => $row->about(), $this->rows), 'encoding' => $this->encoding, 'left_out' => $this->leftOut,
            'new' => $this->count('new'), 'other' => $this->count('other'), 'same' => $this->count('same'), 'bad' => $this->count('bad'),
        ];
    }
}
