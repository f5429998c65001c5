<?php

declare(strict_types=1);

use App\Crew\CrewController;
use App\Crew\PatrolController;
use App\Http\Middleware\HoldLeft;
use Illuminate\Support\Facades\Route;

Route::middleware('signed-in')->group(function (): void {
    Route::get('/crew', [CrewController::class, 'board']);
    Route::get('/crew-to-keep', [CrewController::class, 'toKeep'])->can('check');
    Route::get('/patrols', [PatrolController::class, 'show']);
    Route::put('/patrols', [PatrolController::class, 'put'])->can('people');
    Route::put('/patrols/helper', [PatrolController::class, 'place'])->can('people');
    Route::post('/learners', [CrewController::class, 'add'])->can('people');
    Route::post('/walk-ins', [CrewController::class, 'walkIn'])->can('check');
    Route::delete('/learners/{learner}', [CrewController::class, 'erase'])->can('people')->withoutMiddleware(HoldLeft::class);
    Route::put('/learners/{learner}', [CrewController::class, 'change'])->can('people');
    Route::post('/learners/{learner}/merge', [CrewController::class, 'merge'])->can('people');
    Route::get('/archived', [CrewController::class, 'archived'])->can('people');
    Route::put('/archived/{archived}', [CrewController::class, 'takeBack'])->can('people');
    Route::get('/learners/{learner}/record', [CrewController::class, 'record'])->can('people');
    Route::post('/had', [CrewController::class, 'had'])->can('teach');
    Route::get('/learners/{learner}', [CrewController::class, 'learner']);
});
