<?php

declare(strict_types=1);

return [
    'default' => env('CACHE_STORE', 'file'),
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
        'array' => ['driver' => 'array', 'serialize' => false],
    ],
    'prefix' => 'compadre',
];
