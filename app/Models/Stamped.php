<?php

declare(strict_types=1);

namespace App\Models;

use Closure;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Support\Facades\Cache;

/**
 * Something costly as it was last made, for as long as the stamp of what it was made from is the same.
 */
final class Stamped
{
    /**
     * @template T
     *
     * @param  Closure(): T  $make
     * @return T
     */
    public static function of(string $key, string $stamp, int $seconds, Closure $make): mixed
    {
        $last = self::last($key, $stamp);
        if ($last !== null) {
            return $last[0];
        }
        $made = $make();
        self::store()->put($key, [$stamp, $made], $seconds);

        return $made;
    }

    /** What was made, if its stamp is still the same; else nothing. */
    public static function there(string $key, string $stamp): mixed
    {
        return self::last($key, $stamp)[0] ?? null;
    }

    /** @return ?array{mixed} what was made; null where there is nothing of this stamp */
    private static function last(string $key, string $stamp): ?array
    {
        $last = self::store()->get($key);

        return is_array($last) && array_key_exists(1, $last) && $last[0] === $stamp ? [$last[1]] : null;
    }

    public static function forget(string ...$keys): void
    {
        self::store()->deleteMultiple($keys);
    }

    private static function store(): Repository
    {
        return Cache::store(config()->string('cache.kept'));
    }

    /** SQL for a sum over rows, another once any of their columns is: commutative, so in no order. */
    public static function rows(string $columns): string
    {
        return "concat(count(*), ':', coalesce(sum(crc32(concat_ws(',', $columns))), 0))";
    }
}
