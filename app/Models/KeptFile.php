<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * A file that was made to be fetched, or that was brought: in parts, in the database, so that erasing somebody takes it in the same act.
 *
 * @property string $id
 * @property ?string $group_id null for what is brought to an empty house
 * @property string $kind along: a zip to be fetched; before: what was here when another was taken in; given: brought, part by part
 * @property string $state asked, ready, gone
 * @property string $stamp another one whenever what it would hold has changed
 * @property ?string $password locked with the house's key, until the file is written
 * @property bool $locked whether it asks for a password
 * @property int $bytes in all; of one that is brought, so many as there are to be
 * @property CarbonImmutable $created_at
 * @property CarbonImmutable $updated_at
 */
final class KeptFile extends Row
{
    use HasUuids;

    /** Days that a file is kept for. */
    public const DAYS = 7;

    /** Bytes of a part. */
    public const PART = 1024 * 1024;

    protected $table = 'kept_files';

    protected $hidden = ['password'];

    protected function casts(): array
    {
        return ['locked' => 'boolean', 'bytes' => 'integer'];
    }

    /**
     * Begins one.
     *
     * @param  array<string, mixed>  $more
     */
    public static function begin(?Group $group, string $kind, array $more = []): self
    {
        // Where nobody can sign in yet its id opens it: nobody guesses this one.
        return self::query()->create($more + ['id' => (string) Str::uuid(), 'group_id' => $group?->id, 'kind' => $kind, 'state' => 'asked', 'stamp' => (string) Str::uuid(), 'locked' => false])->refresh();
    }

    /**
     * Begins one of which there is one at a time: those of before give way to it.
     *
     * @param  array<string, mixed>  $more
     */
    public static function instead(?Group $group, string $kind, array $more = []): self
    {
        return DB::transaction(static function () use ($group, $kind, $more): self {
            self::removeAll(self::query()->where('group_id', $group?->id)->where('kind', $kind));

            return self::begin($group, $kind, $more);
        }, 3);
    }

    /** Nothing that is kept of a group may hold somebody who is erased: what was made is gone, what is being made is made anew. */
    public static function forgetIn(Group $group): void
    {
        $files = static fn (): Builder => self::query()->where('group_id', $group->id);
        self::removeAll($files()->where('kind', 'given'));
        DB::table('kept_file_parts')->whereIn('file_id', $files()->pluck('id'))->delete();
        $files()->where('state', 'ready')->update(['state' => 'gone', 'bytes' => 0, 'stamp' => (string) Str::uuid()]);
        $files()->where('state', 'asked')->update(['stamp' => (string) Str::uuid()]);
    }

    /** What nobody fetched in time. */
    public static function sweep(): void
    {
        self::removeAll(self::query()->where('updated_at', '<', CarbonImmutable::now()->subDays(self::DAYS)));
    }

    /** @param  Builder<self>  $files */
    private static function removeAll(Builder $files): void
    {
        $files->get()->each(static fn (self $file) => $file->remove());
    }

    public function remove(): void
    {
        DB::transaction(function (): void {
            DB::table('kept_file_parts')->where('file_id', $this->id)->delete();
            $this->delete();
        }, 3);
    }

    public function put(int $place, string $bytes): void
    {
        DB::table('kept_file_parts')->upsert(['file_id' => $this->id, 'place' => $place, 'data' => base64_encode($bytes)], ['file_id', 'place'], ['data']);
    }

    /** @return iterable<int, string> its bytes, part by part */
    public function parts(): iterable
    {
        for ($place = 0; is_string($data = DB::table('kept_file_parts')->where('file_id', $this->id)->where('place', $place)->value('data')); $place++) {
            yield $place => (string) base64_decode($data, true);
        }
    }
}
