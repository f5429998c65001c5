<?php

declare(strict_types=1);

return [
    // This house's own pages and no others: what else runs on this machine is another site.
    'stateful' => ['127.0.0.1:'.env('COMPADRE_PORT', '8420'), 'localhost:'.env('COMPADRE_PORT', '8420'), ...array_filter(explode(',', (string) env('COMPADRE_LAN_HOSTS', '')))],
    'guard' => ['web'],
    'expiration' => null,
    'middleware' => [
        'authenticate_session' => Laravel\Sanctum\Http\Middleware\AuthenticateSession::class,
        'encrypt_cookies' => Illuminate\Cookie\Middleware\EncryptCookies::class,
        'validate_csrf_token' => Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class,
    ],
];
