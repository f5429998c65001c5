<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/**
 * The number by which a request is found in every log: the web server gives it, and whatever a visitor calls theirs is not asked.
 */
final class RequestNumber
{
    /** @return ?string 32 hexadecimal digits; null where no web server stands before it */
    public static function of(Request $request): ?string
    {
        $number = $request->headers->get('X-Request-Id');

        return is_string($number) && preg_match('/^[0-9a-f]{32}$/', $number) === 1 ? $number : null;
    }
}
