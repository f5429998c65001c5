<?php

declare(strict_types=1);

namespace App\House;

use App\Models\Group;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Support\Facades\DB;

/**
 * A house without a group, which whoever has its set-up code may take: one at a time, and once.
 */
final class EmptyHouse
{
    /**
     * @template Answer
     *
     * @param  callable(): Answer  $act
     * @return Answer
     */
    public static function take(string $code, callable $act): mixed
    {
        // Two first visits at once: the second waits here, and then finds the house taken.
        DB::select("select get_lock('compadre-setup', 10)");
        try {
            self::hold($code);
            $answer = DB::transaction($act(...));
            SetUpCode::spend();

            return $answer;
        } finally {
            DB::select("select release_lock('compadre-setup')");
        }
    }

    public static function hold(string $code): void
    {
        self::holdEmpty();
        SetUpCode::hold($code);
    }

    public static function holdEmpty(): void
    {
        if (Group::query()->exists()) {
            throw new AuthorizationException;
        }
    }
}
