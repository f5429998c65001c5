<?php

declare(strict_types=1);

use App\Bench\BenchController;
use Illuminate\Support\Facades\Route;

Route::middleware('signed-in')->group(function (): void {
    Route::get('/rigs', [BenchController::class, 'index']);
    Route::get('/rigs/{rig}', [BenchController::class, 'show']);
    Route::get('/choice', [BenchController::class, 'choose']);
    Route::post('/meetings/{meeting}/gates', [BenchController::class, 'open'])->can('teach');
    Route::post('/meetings/{meeting}/rigs', [BenchController::class, 'take'])->can('teach');
    Route::delete('/meetings/{meeting}/rigs/{taken}', [BenchController::class, 'leave'])->can('teach');
});
