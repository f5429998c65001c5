<?php

declare(strict_types=1);

namespace App\Work;

use App\Models\Group;

/**
 * A kind of work that takes long. It may be broken off anywhere, and is then begun anew: doing it twice has to come to the same as doing it once.
 */
interface LongWork
{
    /** Its name in records. */
    public static function kind(): string;

    /** @throws TryLater */
    public function do(Group $group, Hold $hold): void;

    /** @return int seconds until it is tried again, after so many tries in a row that went wrong */
    public function patience(int $tries): int;
}
