<?php

declare(strict_types=1);

namespace App\Crew;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * Who is gone, beside the database: an older backup that is put back must not bring them back. The list itself is kept by the
 * command that makes backups; here it is told that there is something new.
 */
final class GoneList
{
    /** Once what was done is certain: the dumps under the house's folder are made anew without whoever is gone. */
    public static function changed(): void
    {
        DB::afterCommit(static fn () => File::put(storage_path('app/sweep-due'), ''));
    }

    /** @return list<string> where copies lie that nobody here can reach */
    public static function elsewhere(): array
    {
        $file = dirname(storage_path()).'/backups/elsewhere.txt';

        return File::exists($file) ? array_values(array_filter(explode("\n", File::get($file)))) : [];
    }
}
