<?php

declare(strict_types=1);

use App\Check\CheckController;
use App\Check\LeftCheckController;
use App\Check\MemoryController;
use App\Http\Middleware\CountTries;
use App\Http\Middleware\HoldToApi;
use Illuminate\Support\Facades\Route;

// From a phone that is not signed in any more.
Route::post('/left-checks', [LeftCheckController::class, 'handIn'])->middleware([HoldToApi::class, CountTries::class.':links,20']);

Route::middleware('signed-in')->group(function (): void {
    Route::get('/learners/{learner}/check', [CheckController::class, 'open'])->can('check');
    Route::get('/check/{knot}', [CheckController::class, 'sheet'])->can('check');
    Route::post('/check-events', [CheckController::class, 'record'])->can('check');
    Route::get('/group/memory', [MemoryController::class, 'show'])->can('teach');
    Route::put('/group/memory', [MemoryController::class, 'choose'])->can('plan');
    Route::get('/left-checks', [LeftCheckController::class, 'index'])->can('people');
    Route::post('/left-checks/accept', [LeftCheckController::class, 'accept'])->can('people');
    Route::post('/left-checks/refuse', [LeftCheckController::class, 'refuse'])->can('people');
});
