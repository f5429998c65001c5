<?php

declare(strict_types=1);

return [
    'default' => 'mariadb',
    'connections' => [
        'mariadb' => [
            'driver' => 'mariadb',
            'host' => env('DB_HOST', '127.0.0.1'),
            'port' => env('DB_PORT', '3306'),
            'database' => env('DB_DATABASE', 'compadre_group'),
            'username' => env('DB_USERNAME', 'compadre'),
            'password' => env('DB_PASSWORD', ''),
            'charset' => 'utf8mb4',
            'collation' => 'utf8mb4_unicode_ci',
            'prefix' => '',
            'strict' => true,
            'engine' => 'InnoDB',
            'timezone' => '+00:00',
            // Each question goes out whole. Where another database of a cluster was faster while one is being prepared, nobody is told that the
            // act is undone: what came after would be kept by itself.
            'options' => [PDO::ATTR_EMULATE_PREPARES => true],
        ],
    ],
    'redis' => [
        'client' => 'phpredis',
        'default' => [
            'host' => env('COMPADRE_REDIS_HOST', '127.0.0.1'),
            'port' => env('COMPADRE_REDIS_PORT', ''),
            'password' => env('COMPADRE_REDIS_PASSWORD', ''),
            'timeout' => 1.0,
            'read_timeout' => 2.0,
        ],
    ],
    'migrations' => ['table' => 'migrations', 'update_date_on_publish' => false],
];
