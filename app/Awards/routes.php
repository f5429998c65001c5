<?php

declare(strict_types=1);

use App\Awards\AwardController;
use App\Awards\CertificateController;
use App\Awards\CredentialController;
use App\Awards\Office\OfficeController;
use App\Http\Middleware\HoldLeft;
use App\Http\Middleware\HoldToApi;
use Illuminate\Support\Facades\Route;

// Whoever is shown a badge may ask whose it is and whether it was taken back.
Route::middleware(HoldToApi::class)->group(function (): void {
    Route::get('/issuers/{issuer}', [CredentialController::class, 'issuer']);
    Route::get('/issuers/{issuer}/status/{list}', [CredentialController::class, 'status']);
});

Route::middleware('signed-in')->group(function (): void {
    Route::get('/awards', [AwardController::class, 'index'])->can('teach');
    Route::post('/awards', [AwardController::class, 'decide'])->can('award');
    Route::post('/awards/by-hand', [AwardController::class, 'byHand'])->can('award');
    Route::put('/awards/handed', [AwardController::class, 'handOver'])->can('teach');
    Route::get('/awards/{award}', [AwardController::class, 'show'])->can('teach');
    Route::put('/awards/{award}', [AwardController::class, 'change'])->can('award');
    Route::post('/awards/{award}/taken-back', [AwardController::class, 'takeBack'])->can('award');
    Route::post('/awards/{award}/signed', [CredentialController::class, 'sign'])->can('award');
    Route::get('/awards/{award}/signed.{as}', [CredentialController::class, 'file'])->whereIn('as', ['txt', 'svg', 'png'])->can('teach');
    Route::get('/office', [OfficeController::class, 'show'])->can('award');
    Route::put('/office', [OfficeController::class, 'set'])->can('award');
    Route::delete('/office', [OfficeController::class, 'leave'])->can('award');
    Route::post('/office/awards', [OfficeController::class, 'send'])->can('award');
    Route::get('/signing', [CredentialController::class, 'keys'])->can('award');
    Route::post('/signing/keys', [CredentialController::class, 'makeKey'])->can('award');
    Route::get('/signing/issuer.json', [CredentialController::class, 'card'])->can('teach');
    Route::get('/signing/taken-back.txt', [CredentialController::class, 'takenBack'])->can('teach');
    Route::post('/verify', [CredentialController::class, 'look'])->withoutMiddleware(HoldLeft::class);
    Route::get('/trusted', [CredentialController::class, 'trusted'])->can('teach');
    Route::post('/trusted', [CredentialController::class, 'trust'])->can('award');
    Route::delete('/trusted/{trusted}', [CredentialController::class, 'trustNoMore'])->can('award');
    Route::get('/certificates', [CertificateController::class, 'show'])->can('teach');
    Route::put('/certificate', [CertificateController::class, 'change'])->can('award');
    Route::put('/certificate/picture', [CertificateController::class, 'putPicture'])->can('award');
    Route::get('/certificate/picture', [CertificateController::class, 'picture']);
    Route::delete('/certificate/picture', [CertificateController::class, 'removePicture'])->can('award');
});
