<?php

declare(strict_types=1);

use App\Along\TakeCommand;
use App\Along\WriteCommand;
use App\Check\Rebuild;
use App\Host\MakeHost;
use App\House\ForgetAgain;
use App\House\HoldRestored;
use App\House\People\MakeResetLink;
use App\House\SeedDemo;
use App\House\SetUpState;
use App\House\SignIns;
use App\Http\Middleware\DoAgain;
use App\Http\Middleware\FromOwnPages;
use App\Http\Middleware\HoldLeft;
use App\Http\Middleware\HoldToApi;
use App\Http\Middleware\InGroup;
use App\Http\Middleware\KnowDevice;
use App\Http\Middleware\TellTurnedAway;
use App\Http\Problem;
use App\Http\TurnedAway;
use App\Knots\Warm;
use App\Models\Setback;
use App\Work\SweepWork;
use Compadre\Core\Refusal;
use Illuminate\Contracts\Auth\Middleware\AuthenticatesRequests;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        health: '/up',
        then: fn () => require __DIR__.'/../routes/calendar.php',
    )
    // Each by its name: a folder that is searched for commands has its routes read a second time, without the API's guards.
    ->withCommands([
        WriteCommand::class, TakeCommand::class, ForgetAgain::class, HoldRestored::class, MakeHost::class, MakeResetLink::class, Rebuild::class, SeedDemo::class, SetUpState::class, SignIns::class, SweepWork::class, Warm::class,
    ])
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->statefulApi();
        $middleware->prependToGroup('api', FromOwnPages::class);
        $middleware->prependToGroup('api', DoAgain::class);
        // Whoever is known here; of those, whoever has a group open, and whoever hosts the house.
        $middleware->group('known', [TellTurnedAway::class, 'auth:sanctum', KnowDevice::class, HoldToApi::class]);
        $middleware->group('signed-in', [TellTurnedAway::class, 'auth:sanctum', KnowDevice::class, InGroup::class, HoldToApi::class, HoldLeft::class]);
        $middleware->group('hosting', [TellTurnedAway::class, 'auth:sanctum', KnowDevice::class, 'can:host', HoldToApi::class]);
        $middleware->prependToPriorityList(before: AuthenticatesRequests::class, prepend: TellTurnedAway::class);
        // What an address names is looked up in the group that is open: which that is, is known before.
        foreach ([KnowDevice::class, InGroup::class] as $first) {
            $middleware->prependToPriorityList(before: SubstituteBindings::class, prepend: $first);
        }
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
        $exceptions->dontReport([TurnedAway::class, Refusal::class]);
        // What is done again is no fault; whoever gives up says so.
        $exceptions->dontReportWhen(fn (Throwable $error): bool => Setback::of($error) !== null && request()->is('api/*'));
        $exceptions->render(fn (Throwable $error, Request $request) => $request->is('api/*') ? Problem::from($error)?->response() : null);
    })
    ->create();
