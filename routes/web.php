<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// Every address that is not the API's is the single page's own to read.
Route::view('/{any?}', 'app')->where('any', '^(?!api/|sanctum/|build/|calendar/).*$')->name('app');
