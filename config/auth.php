<?php

declare(strict_types=1);

use App\Models\User;

return [
    'defaults' => ['guard' => 'web', 'passwords' => null],
    // Whoever signed in stays so for two weeks, as long as a device keeps what it has; in minutes.
    'guards' => ['web' => ['driver' => 'session', 'provider' => 'users', 'remember' => 60 * 24 * 14]],
    'providers' => ['users' => ['driver' => 'eloquent', 'model' => User::class]],
    'passwords' => [],
    'password_timeout' => 10800,
];
