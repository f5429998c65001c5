<?php

declare(strict_types=1);

namespace Compadre\Core\Data;

use Compadre\Core\Refusal;

/**
 * Files in JSON: their bytes as Base64, RFC 4648 section 4.
 */
final class Base64
{
    /**
     * @param  string  $field  where it stands in what was sent
     *
     * @throws Refusal for what is none
     */
    public static function read(string $text, string $field): string
    {
        $bytes = base64_decode($text, true);

        return $bytes === false ? throw Refusal::of($field, mb_strimwidth($text, 0, 20, '…'), 'data.base64') : $bytes;
    }
}
