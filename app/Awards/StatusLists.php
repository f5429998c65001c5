<?php

declare(strict_types=1);

namespace App\Awards;

use App\Models\Group;
use App\Models\Stamped;
use Carbon\CarbonImmutable;
use Compadre\Core\Awards\Credential\StatusList;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Where it is said which of a group's signed badges were taken back. Places are drawn by lot and never used again.
 */
final readonly class StatusLists
{
    /** So full, and another is begun: lots are drawn quickly, and tell nothing. */
    private const FULL = StatusList::LENGTH / 2;

    private const SECONDS = 30 * 86400;

    public function __construct(private GroupKeys $keys)
    {
    }

    /** @return array{list: string, uri: string, place: int} a place for one more badge; runs inside the caller's transaction */
    public function reserve(Group $group): array
    {
        $list = DB::table('status_lists')->where('group_id', $group->id)->orderByDesc('created_at')->orderByDesc('id')->first(['id', 'uri']);
        // A house that has got an address is asked there from now on.
        if ($list === null || $list->uri !== $this->uri($group, $list->id) || DB::table('status_places')->where('list_id', $list->id)->count() >= self::FULL) {
            $id = (string) Str::uuid7();
            $list = (object) ['id' => $id, 'uri' => $this->uri($group, $id)];
            DB::table('status_lists')->insert(['id' => $id, 'group_id' => $group->id, 'uri' => $list->uri, 'created_at' => CarbonImmutable::now(), 'updated_at' => CarbonImmutable::now()]);
        }
        do {
            $place = random_int(0, StatusList::LENGTH - 1);
        } while (DB::table('status_places')->insertOrIgnore(['group_id' => $group->id, 'list_id' => $list->id, 'place' => $place]) === 0);

        return ['list' => $list->id, 'uri' => $list->uri, 'place' => $place];
    }

    /** @return list<string> every list of the group as it stands now, each signed */
    public function all(Group $group): array
    {
        $signed = [];
        foreach (DB::table('status_lists')->where('group_id', $group->id)->orderBy('created_at')->pluck('uri', 'id') as $id => $uri) {
            $signed[] = $this->signed($group, (string) $id, is_string($uri) ? $uri : '');
        }

        return $signed;
    }

    /** @return ?string one of them, signed */
    public function one(Group $group, string $id): ?string
    {
        $uri = DB::table('status_lists')->where('group_id', $group->id)->where('id', $id)->value('uri');

        return is_string($uri) ? $this->signed($group, $id, $uri) : null;
    }

    private function signed(Group $group, string $id, string $uri): string
    {
        $set = [];
        foreach (DB::table('status_places')->where('list_id', $id)->where('taken_back', true)->orderBy('place')->pluck('place') as $place) {
            $set[] = is_numeric($place) ? (int) $place : -1;
        }

        // Signed anew only when it says something else: whoever asks for it needs no account.
        return Stamped::of("status-$id", hash('xxh128', serialize([$set, $uri, $group->name, $this->keys->inUse($group)])), self::SECONDS, fn (): string => $this->keys->current($group)->sign(
            StatusList::of($set)->claims($uri, $this->keys->issuer($group), $group->name, CarbonImmutable::now('UTC')->format('Y-m-d\TH:i:s\Z')),
        ));
    }

    /** Where it is asked for; without an address of the house it has a name alone, and goes about as a file. */
    private function uri(Group $group, string $id): string
    {
        $address = config('app.public_address');

        return is_string($address) && $address !== '' ? rtrim($address, '/').'/api/issuers/'.$this->keys->issuer($group)."/status/$id" : "urn:uuid:$id";
    }
}
