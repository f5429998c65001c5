<?php

declare(strict_types=1);

use Illuminate\Cookie\Middleware\EncryptCookies;
use Illuminate\Foundation\Http\Middleware\ValidateCsrfToken;
use Laravel\Sanctum\Http\Middleware\AuthenticateSession;

return [
    // This house's own pages and no others: what else runs on this machine is another site.
    'stateful' => ['127.0.0.1:'.env('COMPADRE_PORT', '8420'), 'localhost:'.env('COMPADRE_PORT', '8420'), ...array_filter(explode(',', (string) env('COMPADRE_LAN_HOSTS', '')))],
    'guard' => ['web'],
    'expiration' => null,
    'middleware' => [
        'authenticate_session' => AuthenticateSession::class,
        'encrypt_cookies' => EncryptCookies::class,
        'validate_csrf_token' => ValidateCsrfToken::class,
    ],
];
