<?php

declare(strict_types=1);

use App\Http\Middleware\CountTries;
use App\Http\Middleware\HoldLeft;
use App\Http\Middleware\HoldToApi;
use App\Knots\KnotController;
use App\Knots\RemoteController;
use Illuminate\Support\Facades\Route;

// The phone that steps a room's screen needs no account: what it holds opens that screen's knot and step, and nothing else.
Route::middleware(HoldToApi::class)->group(function (): void {
    Route::post('/remote', [RemoteController::class, 'take'])->middleware(CountTries::class.':codes,10');
    Route::get('/remote', [RemoteController::class, 'phone']);
    Route::put('/remote', [RemoteController::class, 'turn']);
    Route::put('/remote/side', [RemoteController::class, 'turnTo']);
});

Route::middleware('signed-in')->group(function (): void {
    Route::get('/knots', [KnotController::class, 'index']);
    Route::get('/knots-to-keep', [KnotController::class, 'toKeep']);
    Route::get('/knots/{knot}', [KnotController::class, 'show']);
    Route::get('/knots/{knot}/compared', [KnotController::class, 'compared']);
    Route::get('/knots/{knot}/drawing.svg', [KnotController::class, 'drawing']);
    Route::get('/knots/{knot}/space', [KnotController::class, 'space']);
    Route::get('/knots/{knot}/space.svg', [KnotController::class, 'picture']);
    Route::get('/learners/{learner}/next', [KnotController::class, 'next']);
    Route::post('/screens', [RemoteController::class, 'offer'])->can('teach')->withoutMiddleware(HoldLeft::class);
    Route::get('/screens/{remote}', [RemoteController::class, 'screen'])->can('teach');
    Route::put('/screens/{remote}', [RemoteController::class, 'show'])->can('teach')->withoutMiddleware(HoldLeft::class);
    Route::delete('/screens/{remote}', [RemoteController::class, 'end'])->can('teach')->withoutMiddleware(HoldLeft::class);
    Route::post('/tail', [KnotController::class, 'judgeTail'])->withoutMiddleware(HoldLeft::class);
});
