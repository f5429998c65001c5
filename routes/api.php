<?php

declare(strict_types=1);

use App\Http\Controllers\AccountController;
use App\Http\Controllers\CheckController;
use App\Http\Controllers\CourseController;
use App\Http\Controllers\CrewController;
use App\Http\Controllers\GroupController;
use App\Http\Controllers\HouseController;
use App\Http\Controllers\KnotController;
use App\Http\Controllers\PeopleController;
use App\Http\Controllers\RemoteController;
use App\Http\Controllers\SheetController;
use App\Http\Controllers\StoreController;
use App\Http\Middleware\CountTries;
use App\Http\Middleware\HoldToApi;
use App\Http\Middleware\KnowDevice;
use Illuminate\Support\Facades\Route;

Route::middleware(HoldToApi::class)->group(function (): void {
    Route::get('/house', [HouseController::class, 'show']);
    Route::get('/badges', [HouseController::class, 'badges']);
    Route::post('/setup', [HouseController::class, 'setUp'])->middleware(CountTries::class.':links,20');
    Route::post('/sign-in', [AccountController::class, 'signIn']);
    // The phone that steps a room's screen needs no account: what it holds opens that screen's knot and step, and nothing else.
    Route::post('/remote', [RemoteController::class, 'take'])->middleware(CountTries::class.':codes,10');
    Route::get('/remote', [RemoteController::class, 'phone']);
    Route::put('/remote', [RemoteController::class, 'turn']);
    // What opens a door travels in the body, never in an address: addresses are written down on the way.
    Route::middleware(CountTries::class.':links,20')->group(function (): void {
        Route::post('/join/about', [PeopleController::class, 'joinAbout']);
        Route::post('/join', [PeopleController::class, 'join']);
        Route::post('/reset', [AccountController::class, 'resetPassword']);
        Route::post('/left-checks', [PeopleController::class, 'handIn']);
    });
});

Route::middleware(['auth:sanctum', KnowDevice::class, HoldToApi::class])->group(function (): void {
    Route::post('/sign-out', [AccountController::class, 'signOut']);
    Route::get('/me', [AccountController::class, 'me']);
    Route::put('/me/password', [AccountController::class, 'changePassword']);
    Route::get('/course', [CourseController::class, 'show']);
    Route::post('/meetings', [CourseController::class, 'addMeeting'])->can('plan');
    Route::post('/course/what-if', [CourseController::class, 'whatIf'])->can('plan');
    Route::put('/course/plan', [CourseController::class, 'plan'])->can('plan');
    Route::delete('/course/knots/{knot}', [CourseController::class, 'unpin'])->can('plan');
    Route::post('/tonight', [CourseController::class, 'tonight'])->can('teach');
    Route::get('/meetings/{meeting}', [CourseController::class, 'meeting']);
    Route::put('/meetings/{meeting}', [CourseController::class, 'changeMeeting'])->can('plan');
    Route::delete('/meetings/{meeting}', [CourseController::class, 'callOff'])->can('plan');
    Route::post('/meetings/{meeting}/run', [CourseController::class, 'run'])->can('teach');
    Route::put('/meetings/{meeting}/attendance/{learner}', [CourseController::class, 'markAttendance'])->can('teach');
    Route::get('/meetings/{meeting}/pack', [StoreController::class, 'pack']);
    Route::post('/meetings/{meeting}/pack/cut', [StoreController::class, 'cut'])->can('teach');
    Route::get('/gauges', [StoreController::class, 'gauges']);
    Route::get('/store', [StoreController::class, 'index']);
    Route::post('/store', [StoreController::class, 'add'])->can('teach');
    Route::put('/store/{stock}', [StoreController::class, 'change'])->can('teach');
    Route::delete('/store/{stock}', [StoreController::class, 'remove'])->can('teach');
    Route::get('/knots', [KnotController::class, 'index']);
    Route::get('/knots/{knot}', [KnotController::class, 'show']);
    Route::get('/knots/{knot}/compared', [KnotController::class, 'compared']);
    Route::get('/knots/{knot}/drawing.svg', [KnotController::class, 'drawing']);
    Route::get('/learners/{learner}/next', [KnotController::class, 'next']);
    Route::post('/screens', [RemoteController::class, 'offer'])->can('teach');
    Route::get('/screens/{remote}', [RemoteController::class, 'screen'])->can('teach');
    Route::put('/screens/{remote}', [RemoteController::class, 'show'])->can('teach');
    Route::delete('/screens/{remote}', [RemoteController::class, 'end'])->can('teach');
    Route::post('/tail', [KnotController::class, 'judgeTail']);
    Route::get('/learners/{learner}/check', [CheckController::class, 'open'])->can('check');
    Route::get('/check/{knot}', [CheckController::class, 'sheet'])->can('check');
    Route::post('/check-events', [CheckController::class, 'record'])->can('check');
    Route::get('/crew', [CrewController::class, 'board']);
    Route::post('/learners', [CrewController::class, 'add'])->can('people');
    Route::post('/walk-ins', [CrewController::class, 'walkIn'])->can('check');
    Route::delete('/learners/{learner}', [CrewController::class, 'erase'])->can('people');
    Route::put('/learners/{learner}', [CrewController::class, 'change'])->can('people');
    Route::post('/learners/{learner}/merge', [CrewController::class, 'merge'])->can('people');
    Route::get('/archived', [CrewController::class, 'archived'])->can('people');
    Route::put('/archived/{archived}', [CrewController::class, 'takeBack'])->can('people');
    Route::get('/learners/{learner}/record', [CrewController::class, 'record'])->can('people');
    Route::post('/had', [CrewController::class, 'had'])->can('teach');
    Route::post('/sheets/{kind}', [SheetController::class, 'look'])->whereIn('kind', ['roster', 'meetings'])->can('plan');
    Route::put('/sheets/{kind}', [SheetController::class, 'take'])->whereIn('kind', ['roster', 'meetings'])->can('plan');
    Route::get('/roster.csv', [SheetController::class, 'roster'])->can('people');
    Route::get('/meetings.csv', [SheetController::class, 'meetings']);
    Route::get('/calendar.ics', [SheetController::class, 'calendar']);
    Route::post('/calendar', [SheetController::class, 'offerFeed'])->can('plan');
    Route::delete('/calendar', [SheetController::class, 'endFeed'])->can('plan');
    Route::get('/learners/{learner}', [CrewController::class, 'learner']);
    Route::get('/group', [GroupController::class, 'show']);
    Route::put('/group', [GroupController::class, 'change'])->can('plan');
    Route::get('/group/memory', [GroupController::class, 'memory'])->can('teach');
    Route::put('/group/memory', [GroupController::class, 'chooseMemory'])->can('plan');
    Route::post('/ropes', [GroupController::class, 'addRope'])->can('plan');
    Route::put('/ropes/{rope}', [GroupController::class, 'changeRope'])->can('plan');
    Route::delete('/ropes/{rope}', [GroupController::class, 'removeRope'])->can('plan');
    Route::post('/group/badges', [GroupController::class, 'saveBadge'])->can('plan');
    Route::get('/group/badges/{badge}', [GroupController::class, 'exportBadge']);
    Route::put('/group/badges/{badge}', [GroupController::class, 'chooseBadge'])->can('plan');
    Route::delete('/group/badges/{badge}', [GroupController::class, 'leaveBadge'])->can('plan');
    Route::get('/group/badges/{badge}/moves', [GroupController::class, 'moves'])->can('plan');
    Route::put('/group/badges/{badge}/moves', [GroupController::class, 'move'])->can('plan');
    Route::put('/learners/{learner}/ticks/{note}', [GroupController::class, 'tick'])->can('teach');
    Route::get('/devices', [PeopleController::class, 'devices']);
    Route::delete('/devices/{device}', [PeopleController::class, 'signOutDevice']);
    Route::get('/people', [PeopleController::class, 'index'])->can('people');
    Route::put('/people/{person}', [PeopleController::class, 'changeRole'])->can('people');
    Route::delete('/people/{person}', [PeopleController::class, 'endAccess'])->can('people');
    Route::get('/left-checks', [PeopleController::class, 'leftChecks'])->can('people');
    Route::post('/left-checks/accept', [PeopleController::class, 'acceptLeft'])->can('people');
    Route::post('/left-checks/refuse', [PeopleController::class, 'refuseLeft'])->can('people');
    Route::post('/invitations', [PeopleController::class, 'invite'])->can('people');
    Route::delete('/invitations/{invitation}', [PeopleController::class, 'withdraw'])->can('people');
    if (config()->string('app.house') === 'bench') {
        require base_path('bench/routes.php');
    }
});
