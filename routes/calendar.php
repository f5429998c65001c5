<?php

declare(strict_types=1);

use App\Course\CalendarController;
use App\Http\Middleware\CountTries;
use Illuminate\Support\Facades\Route;

// Calendars are read by programs that have no account and keep no cookie: the address is the key.
Route::get('/calendar/{token}.ics', [CalendarController::class, 'feed'])->where('token', '[0-9a-f]{32}')->middleware(CountTries::class.':calendars,60');
