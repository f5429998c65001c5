<?php

declare(strict_types=1);

namespace Compadre\Core\Teaching\Plan;

/**
 * Sets of numbered things as strings of bits, all of one size, so that PHP's own & | ~ on strings do the work.
 */
final class Bits
{
    /** @var array<string, int> sizes met before */
    private static array $sizes = [];

    public static function none(int $size): string
    {
        return str_repeat("\0", intdiv($size + 7, 8));
    }

    /** @param  iterable<int>  $members */
    public static function of(int $size, iterable $members): string
    {
        $set = self::none($size);
        foreach ($members as $member) {
            $set[$member >> 3] = chr(ord($set[$member >> 3]) | 1 << ($member & 7));
        }

        return $set;
    }

    public static function has(string $set, int $member): bool
    {
        return (ord($set[$member >> 3]) & 1 << ($member & 7)) !== 0;
    }

    public static function size(string $set): int
    {
        return self::$sizes[$set] ??= substr_count(implode(array_map(static fn (string $byte): string => decbin(ord($byte)), str_split($set))), '1');
    }

    /** @return list<int> its members, in order */
    public static function members(string $set): array
    {
        $members = [];
        for ($member = 0; $member < 8 * strlen($set); $member++) {
            if (self::has($set, $member)) {
                $members[] = $member;
            }
        }

        return $members;
    }
}
