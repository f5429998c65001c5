<?php

declare(strict_types=1);

use App\Course\CalendarController;
use App\Course\CourseController;
use App\Http\Middleware\HoldLeft;
use Illuminate\Support\Facades\Route;

Route::middleware('signed-in')->group(function (): void {
    Route::get('/course', [CourseController::class, 'show']);
    Route::get('/course/outlook', [CourseController::class, 'outlook'])->can('plan');
    Route::put('/course/remedy', [CourseController::class, 'mend'])->can('plan');
    Route::put('/course/pace', [CourseController::class, 'choosePace'])->can('plan');
    Route::post('/meetings', [CourseController::class, 'addMeeting'])->can('plan');
    Route::post('/course/what-if', [CourseController::class, 'whatIf'])->can('plan')->withoutMiddleware(HoldLeft::class);
    Route::put('/course/plan', [CourseController::class, 'plan'])->can('plan');
    Route::delete('/course/knots/{knot}', [CourseController::class, 'unpin'])->can('plan');
    Route::put('/meetings/{meeting}', [CourseController::class, 'changeMeeting'])->can('plan');
    Route::delete('/meetings/{meeting}', [CourseController::class, 'callOff'])->can('plan');
    Route::get('/calendar.ics', [CalendarController::class, 'show']);
    Route::post('/calendar', [CalendarController::class, 'offer'])->can('plan');
    Route::delete('/calendar', [CalendarController::class, 'end'])->can('plan');
});
