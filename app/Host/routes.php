<?php

declare(strict_types=1);

use App\Host\HostController;
use Illuminate\Support\Facades\Route;

// Counts and health, never a learner.
Route::middleware('hosting')->group(function (): void {
    Route::get('/host', [HostController::class, 'show']);
    Route::post('/host/places', [HostController::class, 'makePlace']);
    Route::delete('/host/places/{place}', [HostController::class, 'withdrawPlace']);
    Route::put('/host/groups/{hosted}', [HostController::class, 'change']);
    Route::delete('/host/groups/{hosted}', [HostController::class, 'remove']);
});
