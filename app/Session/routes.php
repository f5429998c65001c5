<?php

declare(strict_types=1);

use App\Session\SessionController;
use Illuminate\Support\Facades\Route;

Route::middleware('signed-in')->group(function (): void {
    Route::post('/tonight', [SessionController::class, 'tonight'])->can('teach');
    Route::get('/meetings/{meeting}', [SessionController::class, 'meeting']);
    Route::get('/meetings/{meeting}/clock', [SessionController::class, 'clock']);
    Route::post('/meetings/{meeting}/run', [SessionController::class, 'run'])->can('teach');
    Route::put('/meetings/{meeting}/leads/{knot}', [SessionController::class, 'lead'])->can('check');
    Route::put('/meetings/{meeting}/stations/{learner}', [SessionController::class, 'move'])->can('teach');
    Route::put('/meetings/{meeting}/attendance/{learner}', [SessionController::class, 'markAttendance'])->can('teach');
});
