<?php

declare(strict_types=1);

namespace Compadre\Core\Awards\Office;

use Compadre\Core\Refusal;

/**
 * Where an office is reached. Names of young people go there: over TLS, unless it is on this very machine.
 */
final class Address
{
    private const HERE = ['127.0.0.1', 'localhost', '[::1]'];

    private const MOST = 300;

    /**
     * @return string without a slash at its end
     *
     * @throws Refusal
     */
    public static function from(string $text, string $field): string
    {
        $address = rtrim(trim($text), '/');
        $parts = parse_url($address);
        $scheme = is_array($parts) ? strtolower($parts['scheme'] ?? '') : '';
        $host = is_array($parts) ? strtolower($parts['host'] ?? '') : '';
        $isPlain = is_array($parts) && array_diff(array_keys($parts), ['scheme', 'host', 'port', 'path']) === [] && preg_match('#^[\x21-\x7e]+$#', $address) === 1;
        if (! $isPlain || $host === '' || strlen($address) > self::MOST || preg_match('#(^|/)\.\.?(/|$)#', $parts['path'] ?? '') === 1) {
            throw Refusal::of($field, $text, 'awards.address');
        }
        if ($scheme !== 'https' && ! ($scheme === 'http' && in_array($host, self::HERE, true))) {
            throw Refusal::of($field, $text, 'awards.https');
        }

        return $address;
    }
}
