<?php

declare(strict_types=1);

namespace App\Http;

/**
 * Codes that people read off a screen or a card and type.
 */
final class PlainCode
{
    /** No letters and digits that look alike from the back of a hall. */
    private const LETTERS = 'ACDEFGHJKMNPQRTUVWXY34679';

    public static function make(int $length): string
    {
        $code = '';
        for ($n = 0; $n < $length; $n++) {
            $code .= self::LETTERS[random_int(0, strlen(self::LETTERS) - 1)];
        }

        return $code;
    }

    /** In fours, as it is printed and read out. */
    public static function inFours(string $code): string
    {
        return implode('-', str_split($code, 4));
    }

    /** As it was made, however it was typed: in small letters, with blanks or dashes. */
    public static function read(string $typed): string
    {
        return (string) preg_replace('/[^A-Z0-9]/', '', strtoupper($typed));
    }
}
