<?php

declare(strict_types=1);

use App\Store\PoleController;
use App\Store\StoreController;
use Illuminate\Support\Facades\Route;

Route::middleware('signed-in')->group(function (): void {
    Route::get('/meetings/{meeting}/pack', [StoreController::class, 'pack']);
    Route::post('/meetings/{meeting}/pack/cut', [StoreController::class, 'cut'])->can('teach');
    Route::get('/gauges', [StoreController::class, 'gauges']);
    Route::get('/store', [StoreController::class, 'index']);
    Route::post('/store', [StoreController::class, 'add'])->can('teach');
    Route::put('/store/{stock}', [StoreController::class, 'change'])->can('teach');
    Route::delete('/store/{stock}', [StoreController::class, 'remove'])->can('teach');
    Route::post('/poles', [PoleController::class, 'add'])->can('teach');
    Route::put('/poles/{pole}', [PoleController::class, 'change'])->can('teach');
    Route::delete('/poles/{pole}', [PoleController::class, 'remove'])->can('teach');
});
