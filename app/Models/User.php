<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Casts\Attribute;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Foundation\Auth\User as Authenticatable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use LogicException;

/**
 * A person. What they may do is their membership's to say; whoever has left keeps a name, as credit for what they checked, and
 * nothing to sign in with.
 *
 * @property string $id
 * @property string $name
 * @property ?string $email in its canonical form; null once access has ended
 * @property ?string $password
 * @property ?Membership $membership the first in force
 * @property-read Role $role in the group that is open
 * @property-read Group $group the one that is open: chosen on the device, else the first
 */
final class User extends Authenticatable
{
    use HasUuids;

    protected $table = 'users';

    protected $guarded = [];

    protected $hidden = ['password'];

    /** Which of several groups is open, where that was chosen. */
    private ?Membership $chosen = null;

    protected function casts(): array
    {
        return ['password' => 'hashed'];
    }

    /** @return Builder<User> those who belong to a group, by name */
    public static function of(Group $group): Builder
    {
        $people = self::everOf($group);
        $people->whereIn('id', Membership::query()->where('group_id', $group->id)->whereNull('until')->select('user_id'));

        return $people;
    }

    /** @return Builder<User> those who have left it too: what they checked is still theirs */
    public static function everOf(Group $group): Builder
    {
        $people = self::query();
        $people->whereIn('id', Membership::query()->where('group_id', $group->id)->select('user_id'))->orderBy('name');

        return $people;
    }

    /** @return HasMany<Membership, $this> */
    public function memberships(): HasMany
    {
        return $this->hasMany(Membership::class);
    }

    /** @return HasOne<Membership, $this> */
    public function membership(): HasOne
    {
        $relation = $this->hasOne(Membership::class);
        $relation->whereNull('until')->orderBy('created_at')->orderBy('id');

        return $relation;
    }

    /** @return Attribute<Role, never> */
    protected function role(): Attribute
    {
        return Attribute::get(fn (): Role => $this->membershipOpened()->role)->withoutObjectCaching();
    }

    /** @return Attribute<Group, never> */
    protected function group(): Attribute
    {
        return Attribute::get(fn (): Group => $this->membershipOpened()->group)->withoutObjectCaching();
    }

    /** Opens one of their groups: all that is asked from here on is asked of it. */
    public function choose(Membership $membership): void
    {
        $this->chosen = $membership;
    }

    /** @return HasMany<Membership, $this> those in force, the first first */
    public function inForce(): HasMany
    {
        $memberships = $this->memberships();
        $memberships->whereNull('until')->orderBy('created_at')->orderBy('id');

        return $memberships;
    }

    /** Whether they look after a house of many groups. */
    public function hosts(): bool
    {
        return DB::table('hosts')->where('user_id', $this->id)->exists();
    }

    /** What this person's devices are remembered by; null: by nothing. */
    public function getRememberToken(): ?string
    {
        $token = DB::table('remembered')->where('user_id', $this->id)->value('token');

        return is_string($token) ? $token : null;
    }

    /** @param  ?string  $value  null: no device is remembered any more */
    public function setRememberToken($value): void
    {
        $value === null ? DB::table('remembered')->where('user_id', $this->id)->delete() : DB::table('remembered')->upsert([['user_id' => $this->id, 'token' => $value]], ['user_id']);
    }

    /** Whoever was remembered by the word before signs in again. */
    public function forgetDevices(): void
    {
        $this->setRememberToken(Str::random(60));
    }

    /** In which of their groups they are: the one chosen, else the first; null where they belong to none. */
    public function opened(): ?Membership
    {
        return $this->chosen ?? $this->membership;
    }

    private function membershipOpened(): Membership
    {
        return $this->opened() ?? throw new LogicException("The access of $this->id has ended: nobody asks for their group.");
    }
}
