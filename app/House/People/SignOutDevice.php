<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\Device;
use Illuminate\Support\Facades\DB;

/**
 * Signs a device out from elsewhere: a lost phone, a shared one. It is turned away at its next contact, and can bring itself back
 * by no cookie it still holds.
 */
final class SignOutDevice
{
    public function __invoke(Device $device): void
    {
        DB::transaction(function () use ($device): void {
            $device->end();
            // Sign-ins that are remembered are so by a word all devices of a person share: a new one.
            $device->user->forgetDevices();
        });
    }
}
