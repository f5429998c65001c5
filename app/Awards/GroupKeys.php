<?php

declare(strict_types=1);

namespace App\Awards;

use App\Models\Group;
use App\Models\GroupKey;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Credential\Algorithm;
use Compadre\Core\Awards\Credential\SigningKey;
use Compadre\Core\Data\Fields;
use Compadre\Core\Data\Json;
use Compadre\Core\Refusal;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Who a group is where its badges are shown, and the keys it signs them with: one in use, those of before still known.
 */
final class GroupKeys
{
    /** Its name for others, the same for ever; made when it is first needed. */
    public function issuer(Group $group): string
    {
        if ($group->issuer_id === null) {
            Group::query()->whereKey($group->id)->whereNull('issuer_id')->update(['issuer_id' => (string) Str::uuid()]);
            $group->refresh();
        }

        return (string) $group->issuer_id;
    }

    /** @return ?string the kid of the key in use; null before the first is made */
    public function inUse(Group $group): ?string
    {
        $kid = GroupKey::query()->where('group_id', $group->id)->whereNull('retired_at')->value('kid');

        return is_string($kid) ? $kid : null;
    }

    /** The key in use; the first is made when it is first needed. */
    public function current(Group $group): SigningKey
    {
        $kept = GroupKey::query()->where('group_id', $group->id)->whereNull('retired_at')->first();

        return $kept === null ? $this->make($group, Algorithm::Rsa) : $this->unlocked($kept);
    }

    /** @param  Fields  $asked  alg: how it is to sign */
    public function renew(Group $group, Fields $asked): void
    {
        $this->make($group, $asked->choice('alg', Algorithm::class));
    }

    /** A new key takes over; what was signed with those before is still known by them. */
    private function make(Group $group, Algorithm $algorithm): SigningKey
    {
        return DB::transaction(function () use ($group, $algorithm): SigningKey {
            $group->takeTurns();
            $key = SigningKey::make($algorithm);
            GroupKey::query()->where('group_id', $group->id)->whereNull('retired_at')->update(['retired_at' => CarbonImmutable::now()]);
            GroupKey::query()->create(['group_id' => $group->id, 'kid' => $key->kid(), 'alg' => $algorithm->value, 'public' => $key->jwk(), 'secret' => Crypt::encryptString(Json::write($key->kept()))]);

            return $key;
        });
    }

    /** @return list<array{kid: string, alg: string, made_on: string, retired_on: ?string}> the one in use first */
    public function list(Group $group): array
    {
        $keys = GroupKey::query()->where('group_id', $group->id)->orderByRaw('retired_at is not null')->orderByDesc('created_at')->get();

        return array_values($keys->map(static fn (GroupKey $key): array => ['kid' => $key->kid, 'alg' => $key->alg, 'made_on' => $key->created_at->format('Y-m-d'), 'retired_on' => $key->retired_at?->format('Y-m-d')])->all());
    }

    /** @return array{id: string, name: string, jwks: array{keys: list<array<string, string>>}} what others need to look at its badges */
    public function card(Group $group): array
    {
        $keys = GroupKey::query()->where('group_id', $group->id)->orderBy('created_at')->get();

        return ['id' => 'urn:uuid:'.$this->issuer($group), 'name' => $group->name, 'jwks' => ['keys' => array_values($keys->map(static fn (GroupKey $key): array => $key->public)->all())]];
    }

    private function unlocked(GroupKey $kept): SigningKey
    {
        try {
            return SigningKey::from(Fields::of(Json::arrays(Json::read(Crypt::decryptString($kept->secret)))));
        } catch (DecryptException) {
            // A backup that was put back in another house: what was signed is still known, but nothing can be signed with it.
            throw Refusal::of('/signing', $kept->kid, 'awards.key_elsewhere');
        }
    }
}
