<?php

declare(strict_types=1);

use App\Http\PlainLog;

return [
    'default' => env('LOG_CHANNEL', 'daily'),
    'channels' => [
        // Two weeks of what went wrong and of what a host has done, and nothing of whom it was about.
        'daily' => [
            'driver' => 'daily',
            'path' => storage_path('logs/laravel.log'),
            'level' => 'notice',
            'days' => 14,
            'permission' => 0600,
            'tap' => [PlainLog::class],
        ],
    ],
];
