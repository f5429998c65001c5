<?php

declare(strict_types=1);

namespace App\Http;

use Carbon\CarbonImmutable;
use Illuminate\Http\Exceptions\ThrottleRequestsException;
use Illuminate\Support\Facades\DB;

/**
 * Counts how often something is tried. Each try is counted by the database in one step, so that fourteen at once are fourteen.
 */
final class Tries
{
    /** @throws ThrottleRequestsException where it was tried more than so often within so many seconds */
    public function take(string $what, int $most, int $seconds): void
    {
        $now = CarbonImmutable::now();
        $key = self::key($what);
        $this->sweep($now);
        // The count this very try came to, not what others have made of it since.
        $added = DB::affectingStatement(
            'insert into tries (what, count, ends_at) values (?, 1, ?) on duplicate key update count = last_insert_id(if(ends_at <= ?, 1, count + 1)), ends_at = if(ends_at <= ?, ?, ends_at)',
            [$key, $now->addSeconds($seconds), $now, $now, $now->addSeconds($seconds)],
        );
        $count = $added === 1 ? 1 : (int) DB::scalar('select last_insert_id()');
        if ($count > $most) {
            $ends = DB::table('tries')->where('what', $key)->value('ends_at');
            $wait = is_string($ends) ? (int) ceil($now->diffInSeconds(CarbonImmutable::parse($ends))) : $seconds;
            throw new ThrottleRequestsException('Too many tries.', null, ['Retry-After' => max(1, min($seconds, $wait))]);
        }
    }

    /** One that was right counts for nothing. */
    public function giveBack(string $what): void
    {
        DB::table('tries')->where('what', self::key($what))->where('count', '>', 0)->decrement('count');
    }

    /** What is over is forgotten, now and then. */
    private function sweep(CarbonImmutable $now): void
    {
        if (random_int(1, 100) === 1) {
            DB::table('tries')->where('ends_at', '<', $now->subDay())->delete();
        }
    }

    /** Neither addresses nor accounts can be read off the table. */
    private static function key(string $what): string
    {
        return hash_hmac('sha256', $what, config()->string('app.key'));
    }
}
