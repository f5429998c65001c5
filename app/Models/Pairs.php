<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Rows about some learners and knots, read without making a model of each: a batch touches many.
 */
final class Pairs
{
    /** @param  non-empty-list<array{string, string}>  $pairs  learner and knot */
    public static function in(string $table, array $pairs): Builder
    {
        $places = implode(', ', array_fill(0, count($pairs), '(?, ?)'));

        return DB::table($table)->whereRaw("(learner_id, knot) in ($places)", array_merge(...$pairs));
    }
}
