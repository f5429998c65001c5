<?php

declare(strict_types=1);

namespace Compadre\Core\Space;

/**
 * Sums with places and directions in space.
 */
final class Vector
{
    /**
     * @param  array{float, float, float}  $u
     * @param  array{float, float, float}  $v
     */
    public static function dot(array $u, array $v): float
    {
        return $u[0] * $v[0] + $u[1] * $v[1] + $u[2] * $v[2];
    }

    /**
     * @param  array{float, float, float}  $u
     * @param  array{float, float, float}  $v
     * @return array{float, float, float}
     */
    public static function cross(array $u, array $v): array
    {
        return [$u[1] * $v[2] - $u[2] * $v[1], $u[2] * $v[0] - $u[0] * $v[2], $u[0] * $v[1] - $u[1] * $v[0]];
    }

    /**
     * @param  array{float, float, float}  $a
     * @param  array{float, float, float}  $b
     */
    public static function distance(array $a, array $b): float
    {
        return sqrt(($b[0] - $a[0]) ** 2 + ($b[1] - $a[1]) ** 2 + ($b[2] - $a[2]) ** 2);
    }

    /**
     * The direction from one place to another, of length 1; from a place to itself none, of length 0.
     *
     * @param  array{float, float, float}  $from
     * @param  array{float, float, float}  $to
     * @return array{float, float, float}
     */
    public static function way(array $from, array $to): array
    {
        $far = max(1e-9, self::distance($from, $to));

        return [($to[0] - $from[0]) / $far, ($to[1] - $from[1]) / $far, ($to[2] - $from[2]) / $far];
    }
}
