<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Route;

// Every address that is not the API's is the single page's own to read. It is the same for everybody, and hands out no session: the
// worker fetches it while somebody signs in, and what it brought would take the place of theirs.
Route::view('/{any?}', 'app')->where('any', '^(?!api/|sanctum/|build/|calendar/).*$')->withoutMiddleware('web')->name('app');
