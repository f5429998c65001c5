<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cookie;

/**
 * A phone or computer that somebody is signed in on. Its id is kept in the session, so that it can be signed out from elsewhere.
 *
 * @property string $id
 * @property string $user_id
 * @property ?string $group_id which of their groups is open on it
 * @property string $label
 * @property CarbonImmutable $seen_at
 * @property ?CarbonImmutable $revoked_at
 * @property User $user
 */
final class Device extends Row
{
    use HasUuids;

    private const SESSION = 'device';

    /** By what a browser knows, for a year, which group was open on it: a sign-in that is remembered comes back to the same. */
    private const COOKIE = 'compadre_group';

    private const MINUTES = 60 * 24 * 365;

    protected $table = 'devices';

    protected function casts(): array
    {
        return ['seen_at' => 'immutable_datetime', 'revoked_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** Opens the group that was chosen on it, else the first that is open to anybody; null where access to it has ended, or there is none. */
    public function open(User $user): ?Membership
    {
        $all = $user->inForce()->with('group')->get();
        $chosen = $this->group_id === null
            ? $all->first(static fn (Membership $one): bool => $one->group->closed_at === null) ?? $all->first()
            : $all->firstWhere('group_id', $this->group_id);
        if ($chosen !== null) {
            $this->group_id === $chosen->group_id || $this->update(['group_id' => $chosen->group_id]);
            $user->choose($chosen);
        }

        return $chosen;
    }

    /** Another of their groups is open on it from now on. */
    public function choose(User $user, Membership $membership): void
    {
        $this->update(['group_id' => $membership->group_id]);
        $user->choose($membership);
        Cookie::queue(self::COOKIE, $membership->group_id, self::MINUTES);
    }

    /** The device of this session, made known where it is not. */
    public static function of(Request $request, User $user): self
    {
        $session = $request->session();
        $id = $session->get(self::SESSION);
        $known = is_string($id) ? self::query()->where('user_id', $user->id)->find($id) : null;
        if ($known !== null) {
            return $known;
        }
        $before = $request->cookie(self::COOKIE);
        $group = is_string($before) ? $user->inForce()->where('group_id', $before)->value('group_id') : null;
        $device = self::query()->create(['user_id' => $user->id, 'group_id' => $group, 'label' => self::labelled((string) $request->userAgent()), 'seen_at' => CarbonImmutable::now()]);
        $session->put(self::SESSION, $device->id);

        return $device;
    }

    /** Somebody has just signed in: a device that was signed out is not theirs, and they get a new one. */
    public static function begin(Request $request): void
    {
        $id = $request->session()->get(self::SESSION);
        if (is_string($id) && self::query()->whereNull('revoked_at')->find($id) === null) {
            $request->session()->forget(self::SESSION);
        }
    }

    /** Nobody is signed in on it any more; a session that is still kept for it opens nothing. */
    public function end(): void
    {
        $this->update(['revoked_at' => CarbonImmutable::now()]);
    }

    /** What a person would call it. */
    private static function labelled(string $agent): string
    {
        $named = static function (array $names) use ($agent): ?string {
            foreach ($names as $sign => $name) {
                if (str_contains($agent, $sign)) {
                    return $name;
                }
            }

            return null;
        };
        $browser = $named(['Edg' => 'Edge', 'Firefox' => 'Firefox', 'Chrome' => 'Chrome', 'Safari' => 'Safari']) ?? 'A browser';
        $system = $named(['Android' => 'Android', 'iPhone' => 'iPhone', 'iPad' => 'iPad', 'Windows' => 'Windows', 'Mac OS' => 'Mac', 'Linux' => 'Linux']);

        return $system === null ? $browser : "$browser on $system";
    }
}
