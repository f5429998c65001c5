<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Credential;

/**
 * Base64 for addresses, without padding: RFC 4648 section 5.
 */
final class Base64Url
{
    public static function of(string $bytes): string
    {
        return rtrim(strtr(base64_encode($bytes), '+/', '-_'), '=');
    }

    /** @return ?string null for what is none, one whose last bits say nothing among them: one text for the same bytes, and no other */
    public static function read(string $text): ?string
    {
        if (preg_match('/^[A-Za-z0-9_-]*$/D', $text) !== 1) {
            return null;
        }
        $bytes = base64_decode(strtr($text, '-_', '+/'), true);

        return $bytes === false || self::of($bytes) !== $text ? null : $bytes;
    }
}
