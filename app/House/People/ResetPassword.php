<?php

declare(strict_types=1);

namespace App\House\People;

use App\Models\Remote;
use App\Models\User;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\DB;

/**
 * Sets a new password, by a link that is good once and for an hour, or by whoever knows the present one. Every other device of
 * that person is signed out.
 */
final class ResetPassword
{
    private const MINUTES = 60;

    /** @return string what the link carries; only its hash is kept */
    public function offer(User $user): string
    {
        $token = bin2hex(random_bytes(24));
        DB::table('resets')->where('user_id', $user->id)->orWhere('expires_at', '<', CarbonImmutable::now())->delete();
        DB::table('resets')->insert(['token_hash' => Remote::hash($token), 'user_id' => $user->id, 'expires_at' => CarbonImmutable::now()->addMinutes(self::MINUTES)]);

        return $token;
    }

    /** The address that sets a new password, once. After the #, it stays in the browser: no log on the way has it. */
    public function link(User $user): string
    {
        return config()->string('app.url').'/reset#'.$this->offer($user);
    }

    /** Refuses a link that was used, is too old or never was; a bad password leaves it as good as it was. */
    public function byLink(Fields $asked): void
    {
        DB::transaction(function () use ($asked): void {
            $open = DB::table('resets')->where('token_hash', Remote::hash($asked->text('token')))->where('expires_at', '>', CarbonImmutable::now());
            // Who comes second waits here, and then finds it used.
            $id = (clone $open)->lockForUpdate()->value('user_id');
            $user = is_string($id) ? User::query()->find($id) : null;
            if ($user?->email === null) {
                throw Refusal::of('/token', null, 'house.link_used');
            }
            $this->set($user, $asked);
            $open->delete();
            DB::table('sessions')->where('user_id', $user->id)->delete();
        });
    }

    /** @throws Refusal */
    public function set(User $user, Fields $asked): void
    {
        $password = NewPassword::from($asked, [$user->name, (string) $user->email, $user->opened()->group->name ?? '']);
        // Sign-ins that are remembered are so by a word all devices of a person share: a new one.
        $user->update(['password' => $password]);
        $user->forgetDevices();
    }
}
