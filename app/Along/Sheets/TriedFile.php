<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\User;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * A file of entries of which one may need another: what taking them in would do is said by doing it, and taking it back.
 */
abstract readonly class TriedFile implements Listing
{
    /** @return list<Row> what is in it, held to what is here alone */
    abstract protected function rows(User $by, string $bytes): array;

    /** @throws Refusal for what cannot be kept */
    abstract protected function keepOne(User $by, Row $row): void;

    public function form(): string
    {
        return 'json';
    }

    public function look(User $by, string $bytes): Looked
    {
        $rows = $this->rows($by, $bytes);
        DB::beginTransaction();
        try {
            $found = array_map(function (Row $row) use ($by): Row {
                try {
                    $row->isToTake() ? $this->keepOne($by, $row) : null;
                } catch (Refusal $fault) {
                    return Row::bad($row->line, $row->says, ApiRow::said($fault));
                }

                return $row;
            }, $rows);
        } finally {
            DB::rollBack();
            // In memory what was tried is still there: nothing would be written, since nothing would seem to change.
            $by->group->refresh();
        }

        return new Looked($found);
    }

    public function take(User $by, array $rows): void
    {
        foreach ($rows as $row) {
            $this->keepOne($by, $row);
        }
    }
}
