<?php

declare(strict_types=1);

use App\Bench\BenchController;
use App\Bench\OwnRigController;
use Illuminate\Support\Facades\Route;

Route::middleware('signed-in')->group(function (): void {
    Route::get('/rigs', [BenchController::class, 'index']);
    Route::get('/rigs/{rig}', [BenchController::class, 'show']);
    Route::get('/rigs/{rig}/pack', [OwnRigController::class, 'pack'])->can('plan');
    Route::post('/rigs/{rig}/copies', [OwnRigController::class, 'copy'])->can('plan');
    Route::put('/rigs/{rig}', [OwnRigController::class, 'change'])->can('plan');
    Route::delete('/rigs/{rig}', [OwnRigController::class, 'remove'])->can('plan');
    Route::get('/instruments', [BenchController::class, 'instruments']);
    Route::get('/instruments/{instrument}', [BenchController::class, 'instrument']);
    Route::get('/measures', [OwnRigController::class, 'measures']);
    Route::post('/measures', [OwnRigController::class, 'measure'])->can('teach');
    Route::delete('/measures/{measure}', [OwnRigController::class, 'unmeasure'])->can('teach');
    Route::get('/choice', [BenchController::class, 'choose']);
    Route::post('/meetings/{meeting}/gates', [BenchController::class, 'open'])->can('teach');
    Route::post('/meetings/{meeting}/rigs', [BenchController::class, 'take'])->can('teach');
    Route::delete('/meetings/{meeting}/rigs/{taken}', [BenchController::class, 'leave'])->can('teach');
});
