<?php

declare(strict_types=1);

use App\Http\PlainLog;

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        // Two weeks of what went wrong, and nothing of whom it went wrong for.
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/laravel.log'),
            'level' => 'warning',
            'days' => 14,
            'permission' => 0600,
            'tap' => [PlainLog::class],
        ],
    ],
];
