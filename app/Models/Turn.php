<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Facades\DB;

/**
 * A turn at rows that several may want to change something by: whoever comes second waits until the transaction of whoever came first has
 * ended. A lock does not reach another database of a cluster; there, two who were let through at once are told apart at commit by that both
 * wrote the row, and the second act is undone, to be done again (App\Http\Middleware\DoAgain).
 */
final class Turn
{
    /** Takes it; called within the transaction of the act. In the order of their keys, so that nobody waits for who waits for them. */
    public static function at(string $table, string ...$ids): void
    {
        sort($ids);
        if ($ids !== []) {
            DB::table($table)->whereIn('id', array_values(array_unique($ids)))->increment('turn');
        }
    }
}
