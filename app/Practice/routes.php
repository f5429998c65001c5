<?php

declare(strict_types=1);

use App\Http\Middleware\CountTries;
use App\Http\Middleware\HoldToApi;
use App\Practice\PracticeController;
use Illuminate\Support\Facades\Route;

// Learners have no account: what a card opens is the same for everybody who holds it, and names nobody.
Route::middleware(HoldToApi::class)->group(function (): void {
    Route::post('/corner', [PracticeController::class, 'enter']);
    Route::get('/corner/pictures', [PracticeController::class, 'pictures']);
    Route::get('/corner/knots/{knot}', [PracticeController::class, 'kit']);
    Route::get('/corner/knots/{knot}/space', [PracticeController::class, 'space']);
    Route::post('/corner/drawn', [PracticeController::class, 'drawn'])->middleware(CountTries::class.':drawings,120');
    Route::post('/corner/days', [PracticeController::class, 'practised']);
});

Route::middleware('signed-in')->group(function (): void {
    Route::get('/practice/cards', [PracticeController::class, 'cards'])->can('teach');
    Route::post('/practice/cards', [PracticeController::class, 'make'])->can('teach');
    Route::put('/practice/cards/{card}', [PracticeController::class, 'hint'])->can('people');
    Route::delete('/practice/cards/{card}', [PracticeController::class, 'end'])->can('teach');
    Route::put('/practice/home/{knot}', [PracticeController::class, 'setHome'])->can('teach');
});
