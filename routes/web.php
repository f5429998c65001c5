<?php

declare(strict_types=1);

use App\Http\Controllers\SheetController;
use Illuminate\Support\Facades\Route;

// Calendars are read by programs that have no account: the address is the key.
Route::get('/calendar/{token}.ics', [SheetController::class, 'feed'])->where('token', '[0-9a-f]{32}')->middleware('throttle:links');

// Every address that is not the API's is the single page's own to read.
Route::view('/{any?}', 'app')->where('any', '^(?!api/|sanctum/|build/).*$')->name('app');
