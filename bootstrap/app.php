<?php

declare(strict_types=1);

use App\Http\DeviceSignedOut;
use App\Http\Middleware\FromOwnPages;
use App\Http\NotHere;
use App\Http\Problem;
use Compadre\Core\Refusal;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        health: '/up',
        then: fn () => require __DIR__.'/../routes/calendar.php',
    )
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->statefulApi();
        $middleware->prependToGroup('api', FromOwnPages::class);
        // One origin only: nobody else is answered.
        $middleware->remove(HandleCors::class);
        // What people type arrives as they typed it; the API document says what is allowed.
        $middleware->remove([
            Illuminate\Foundation\Http\Middleware\TrimStrings::class,
            Illuminate\Foundation\Http\Middleware\ConvertEmptyStringsToNull::class,
        ]);
        $middleware->redirectGuestsTo(fn (): ?string => null);
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(fn (Request $request): bool => $request->is('api/*'));
        $exceptions->dontReport([DeviceSignedOut::class, NotHere::class, Refusal::class]);
        $exceptions->render(fn (Throwable $error, Request $request) => $request->is('api/*') ? Problem::from($error)?->response() : null);
    })
    ->create();
