<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// Each room has its own.
foreach (['House', 'Course', 'Session', 'Check', 'Crew', 'Knots', 'Bench', 'Store', 'Practice', 'Awards', 'Along', 'Host'] as $room) {
    require app_path("$room/routes.php");
}
if (config()->string('app.house') === 'bench') {
    Route::middleware('signed-in')->group(base_path('bench/routes.php'));
}
