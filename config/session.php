<?php

declare(strict_types=1);

return [
    'driver' => env('SESSION_DRIVER', 'database'),
    'lifetime' => 60 * 24 * 14,
    'expire_on_close' => false,
    'encrypt' => false,
    'connection' => null,
    'table' => 'sessions',
    'cookie' => env('SESSION_COOKIE', 'compadre'),
    'path' => '/',
    'domain' => null,
    // Over TLS the cookie stays there; on loopback there is none.
    'secure' => null,
    'http_only' => true,
    'same_site' => 'lax',
];
