<?php

declare(strict_types=1);

return [
    'stateful' => ['127.0.0.1', '127.0.0.1:*', 'localhost', 'localhost:*', ...array_filter(explode(',', (string) env('COMPADRE_LAN_HOSTS', '')))],
    'guard' => ['web'],
    'expiration' => null,
    'middleware' => [
        'authenticate_session' => Laravel\Sanctum\Http\Middleware\AuthenticateSession::class,
        'encrypt_cookies' => Illuminate\Cookie\Middleware\EncryptCookies::class,
        'validate_csrf_token' => Illuminate\Foundation\Http\Middleware\ValidateCsrfToken::class,
    ],
];
