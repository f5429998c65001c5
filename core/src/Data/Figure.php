<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

/**
 * A number as it is written: with a point, to so many digits at most, and none that says nothing.
 */
final class Figure
{
    /** @param  int  $digits after the point, 1 or more */
    public static function of(float $value, int $digits = 1): string
    {
        return rtrim(rtrim(number_format($value, $digits, '.', ''), '0'), '.');
    }
}
