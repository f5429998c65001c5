<?php

declare(strict_types=1);

namespace App\Along\Sheets;

use App\Models\User;
use Closure;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Entries of which one may need another: what taking them in would do is said by doing it, and taking it back.
 */
final class TriedList
{
    /**
     * @param  list<Row>  $rows
     * @param  Closure(User, Row): void  $keep
     */
    public static function look(User $by, array $rows, Closure $keep): Looked
    {
        DB::beginTransaction();
        try {
            $found = array_map(static function (Row $row) use ($by, $keep): Row {
                try {
                    $row->isToTake() ? $keep($by, $row) : null;
                } catch (Refusal $fault) {
                    return Row::bad($row->line, $row->says, ApiRow::said($fault));
                }

                return $row;
            }, $rows);
        } finally {
            DB::rollBack();
        }

        return new Looked($found);
    }
}
