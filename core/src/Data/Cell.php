<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

/**
 * What people write in the cells of a table.
 */
final class Cell
{
    private const MM = ['mm' => 1.0, 'cm' => 10.0, 'm' => 1000.0, 'in' => 25.4, '"' => 25.4, 'ft' => 304.8];

    /** A number with a point or a comma; null for anything else. */
    public static function number(string $cell): ?float
    {
        $plain = str_replace(',', '.', $cell);

        return preg_match('/^-?\d{1,9}(\.\d{1,6})?$/', $plain) === 1 ? (float) $plain : null;
    }

    public static function whole(string $cell): ?int
    {
        return preg_match('/^\d{1,9}$/', $cell) === 1 ? (int) $cell : null;
    }

    /**
     * A length in mm, with its unit behind it or in the unit of its column.
     *
     * @param  ?string  $unit  mm, cm, m, in or ft; null where the cell has to say
     */
    public static function length(string $cell, ?string $unit): ?float
    {
        if (preg_match('/^([\d.,]+)\s*(mm|cm|m|in|ft|")?$/', mb_strtolower($cell), $found) !== 1) {
            return null;
        }
        $number = self::number($found[1]);
        $unit = $found[2] ?? $unit;

        return $number === null || $unit === null ? null : round($number * self::MM[$unit], 3);
    }
}
