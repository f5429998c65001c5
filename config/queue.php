<?php

declare(strict_types=1);

return [
    'default' => env('QUEUE_CONNECTION', 'database'),
    'connections' => [
        'database' => [
            'driver' => 'database',
            'table' => 'jobs',
            'queue' => 'default',
            // Whoever takes a job up again finds in its row of work whether somebody else is at it.
            'retry_after' => 90,
            // A job is written with what it is for, or not at all.
            'after_commit' => false,
        ],
    ],
    // What became of work is said in its own row.
    'failed' => ['driver' => 'null'],
];
