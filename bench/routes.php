<?php

declare(strict_types=1);

// Addresses that only a bench house answers: what the app is measured against. Same nginx, fpm and middleware, sign-in included.

use App\Crew\CrewBoard;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Str;

/** The least a check-off could be: one indexed insert in a transaction. */
Route::post('/bench/insert', function (Request $request): JsonResponse {
    $id = (string) Str::uuid7();
    DB::transaction(fn () => DB::table('bench_rows')->insert(['id' => $id, 'learner' => $request->json('learner'), 'seen' => $request->getContent()]));

    return new JsonResponse(['id' => $id]);
});

/** A body of the board's size that costs nothing to make. */
Route::get('/bench/static', fn (): Response => new Response((string) file_get_contents(storage_path('app/board.json')), 200, ['Content-Type' => 'application/json']));

/** How many queries the board takes. */
Route::get('/bench/queries', function (Request $request, CrewBoard $board): JsonResponse {
    $user = $request->user();
    assert($user instanceof User);
    DB::enableQueryLog();
    $board->of($user->group);

    return new JsonResponse(['queries' => count(DB::getQueryLog())]);
});
