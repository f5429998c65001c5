<?php

declare(strict_types=1);

use App\Along\AlongController;
use App\Along\SetUpController;
use App\Along\Sheets\ImportSheet;
use App\Along\Sheets\SheetController;
use App\Http\Middleware\CountTries;
use App\Http\Middleware\HoldLeft;
use App\Http\Middleware\HoldToApi;
use Illuminate\Support\Facades\Route;

Route::middleware(HoldToApi::class)->group(function (): void {
    Route::middleware(CountTries::class.':links,20')->group(function (): void {
        Route::post('/setup/zip', [SetUpController::class, 'bring']);
        Route::post('/setup/zip/{zip}/look', [SetUpController::class, 'look']);
        Route::post('/setup/zip/{zip}/take', [SetUpController::class, 'take']);
    });
    Route::put('/setup/zip/{zip}/parts', [SetUpController::class, 'part'])->middleware(CountTries::class.':parts,600');
});

Route::middleware('signed-in')->whereIn('kind', array_keys(ImportSheet::KINDS))->group(function (): void {
    Route::get('/sheets/{kind}', [SheetController::class, 'file'])->can('people');
    Route::post('/sheets/{kind}', [SheetController::class, 'look'])->withoutMiddleware(HoldLeft::class)->can('people');
    Route::put('/sheets/{kind}', [SheetController::class, 'take'])->can('people');
});

// A house that was left behind still gives the group out, and takes it back.
Route::middleware('signed-in')->withoutMiddleware(HoldLeft::class)->group(function (): void {
    Route::get('/along', [AlongController::class, 'show'])->can('people');
    Route::post('/along/files', [AlongController::class, 'ask'])->can('people');
    Route::get('/along/files/{file}.zip', [AlongController::class, 'file'])->can('people');
    Route::delete('/along/files/{file}', [AlongController::class, 'remove'])->can('people');
    Route::put('/along/left', [AlongController::class, 'leave'])->can('people');
    Route::post('/along/given', [AlongController::class, 'bring'])->can('people');
    Route::put('/along/given/{given}/parts', [AlongController::class, 'part'])->can('people');
    Route::post('/along/given/{given}/look', [AlongController::class, 'look'])->can('people');
    Route::post('/along/given/{given}/take', [AlongController::class, 'take'])->can('people');
});
