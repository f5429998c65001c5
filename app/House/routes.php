<?php

declare(strict_types=1);

use App\House\Badges\BadgeController;
use App\House\GroupController;
use App\House\HouseController;
use App\House\People\AccountController;
use App\House\People\PeopleController;
use App\Http\Middleware\CountTries;
use App\Http\Middleware\HoldLeft;
use App\Http\Middleware\HoldToApi;
use Illuminate\Support\Facades\Route;

Route::middleware(HoldToApi::class)->group(function (): void {
    Route::get('/house', [HouseController::class, 'show']);
    Route::get('/ready', [HouseController::class, 'ready']);
    Route::get('/badges', [HouseController::class, 'badges']);
    Route::post('/sign-in', [AccountController::class, 'signIn']);
    // What opens a door travels in the body, never in an address: addresses are written down on the way.
    Route::middleware(CountTries::class.':links,20')->group(function (): void {
        Route::post('/setup', [HouseController::class, 'setUp']);
        Route::post('/join/about', [PeopleController::class, 'joinAbout']);
        Route::post('/join', [PeopleController::class, 'join']);
        Route::post('/reset', [AccountController::class, 'resetPassword']);
    });
});

// Without a group too, or where theirs is closed.
Route::middleware('known')->group(function (): void {
    Route::post('/sign-out', [AccountController::class, 'signOut']);
    Route::put('/me/password', [AccountController::class, 'changePassword']);
    Route::put('/me/group', [AccountController::class, 'choose']);
});

Route::middleware('signed-in')->group(function (): void {
    Route::get('/me', [AccountController::class, 'me']);
    Route::get('/group', [GroupController::class, 'show']);
    Route::put('/group', [GroupController::class, 'change'])->can('plan');
    Route::post('/ropes', [GroupController::class, 'addRope'])->can('plan');
    Route::put('/ropes/{rope}', [GroupController::class, 'changeRope'])->can('plan');
    Route::delete('/ropes/{rope}', [GroupController::class, 'removeRope'])->can('plan');
    Route::post('/group/badges', [BadgeController::class, 'save'])->can('plan');
    Route::get('/group/badges/{badge}', [BadgeController::class, 'export']);
    Route::put('/group/badges/{badge}', [BadgeController::class, 'choose'])->can('plan');
    Route::delete('/group/badges/{badge}', [BadgeController::class, 'leave'])->can('plan');
    Route::get('/group/badges/{badge}/moves', [BadgeController::class, 'moves'])->can('plan');
    Route::put('/group/badges/{badge}/moves', [BadgeController::class, 'move'])->can('plan');
    Route::put('/learners/{learner}/ticks/{note}', [BadgeController::class, 'tick'])->can('teach');
    Route::get('/devices', [PeopleController::class, 'devices']);
    Route::delete('/devices/{device}', [PeopleController::class, 'signOutDevice'])->withoutMiddleware(HoldLeft::class);
    Route::get('/people', [PeopleController::class, 'index'])->can('people');
    Route::put('/people/{person}', [PeopleController::class, 'changeRole'])->can('people');
    Route::delete('/people/{person}', [PeopleController::class, 'endAccess'])->can('people')->withoutMiddleware(HoldLeft::class);
    Route::post('/invitations', [PeopleController::class, 'invite'])->can('people');
    Route::delete('/invitations/{invitation}', [PeopleController::class, 'withdraw'])->can('people');
});
