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
 * @property ?Membership $membership the one in force
 * @property-read Role $role in that membership
 * @property-read Group $group of that membership
 */
final class User extends Authenticatable
{
    use HasUuids;

    protected $guarded = [];

    protected $hidden = ['password'];

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
        return Attribute::get(fn (): Role => $this->inForce()->role)->withoutObjectCaching();
    }

    /** @return Attribute<Group, never> */
    protected function group(): Attribute
    {
        return Attribute::get(fn (): Group => $this->inForce()->group)->withoutObjectCaching();
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

    private function inForce(): Membership
    {
        return $this->membership ?? throw new LogicException("The access of $this->id has ended: nobody asks for their group.");
    }
}
