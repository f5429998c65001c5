<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use App\Models\KeptFile;
use App\Work\Hold;
use App\Work\LongWork;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * Writes the zips that a group asked for.
 */
final readonly class WriteFiles implements LongWork
{
    /** Seconds until it is tried again. */
    private const PATIENCE = 30;

    public function __construct(private WriteGroup $write)
    {
    }

    public static function kind(): string
    {
        return 'along';
    }

    public function patience(int $tries): int
    {
        return min($tries, 20) * self::PATIENCE;
    }

    public function do(Group $group, Hold $hold): void
    {
        $asked = KeptFile::query()->where('group_id', $group->id)->where('kind', 'along')->where('state', 'asked')->orderBy('created_at');
        for ($done = 0; ($file = $asked->first()) !== null; $done++) {
            $hold->at($done, $done + $asked->count());
            $this->keep($group, $file);
        }
    }

    /** Where somebody is erased while it is written, it is written anew: its stamp is another one. */
    public function keep(Group $group, KeptFile $file): void
    {
        $path = storage_path("app/along-$file->id.zip");
        try {
            ($this->write)($group, $path, $file->password === null ? null : Crypt::decryptString($file->password));
            DB::transaction(static function () use ($file, $path): void {
                $ready = ['state' => 'ready', 'password' => null, 'bytes' => File::size($path)];
                if (KeptFile::query()->whereKey($file->id)->where('stamp', $file->stamp)->update($ready) === 0) {
                    return;
                }
                $stream = fopen($path, 'r');
                for ($place = 0; $stream !== false && ($part = (string) stream_get_contents($stream, KeptFile::PART)) !== ''; $place++) {
                    $file->put($place, $part);
                }
            }, 3);
        } finally {
            File::delete($path);
        }
    }
}
