<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'file'),
    // Where what was made from a group's data is kept: with several installations, in one place for all, so that it is forgotten in all.
    'kept' => env('COMPADRE_REDIS_PORT', '') === '' ? 'file' : 'shared',
    'stores' => [
        'file' => [
            'driver' => 'file',
            'path' => storage_path('framework/cache/data'),
            'lock_path' => storage_path('framework/cache/data'),
        ],
        // What the core computed of the packs: right as long as packs and core are what they were, whatever else is cleared.
        'drawings' => [
            'driver' => 'file',
            'path' => storage_path('framework/cache/drawings'),
            'lock_path' => storage_path('framework/cache/drawings'),
        ],
        // Without Redis it is made anew each time.
        'shared' => ['driver' => 'failover', 'stores' => ['redis', 'array']],
        'redis' => ['driver' => 'redis', 'connection' => 'default'],
        'array' => ['driver' => 'array', 'serialize' => false],
    ],
    'prefix' => 'compadre',
];
