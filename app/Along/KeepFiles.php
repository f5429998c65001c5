<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use App\Models\KeptFile;
use App\Work\StartWork;
use Compadre\Core\Data\Base64;
use Compadre\Core\Data\Fields;
use Compadre\Core\Refusal;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;

/**
 * Zips that a group asked for, and zips that are brought to be taken in.
 */
final readonly class KeepFiles
{
    /** Files of one group at a time: more are older ones that nobody needs. */
    private const MOST = 10;

    /** For a group of many years: 40 learners by 40 knots take two a year. */
    private const SECONDS = 600;

    public function __construct(private StartWork $start, private LeaveHouse $leave)
    {
    }

    /** Asks for a zip: it is written by the worker, and waits to be fetched. */
    public function ask(Group $group, Fields $asked): KeptFile
    {
        return DB::transaction(function () use ($group, $asked): KeptFile {
            $open = KeptFile::query()->where('group_id', $group->id)->where('kind', '!=', 'given')->count();
            if ($open >= self::MOST) {
                throw Refusal::of('/files', $open, 'along.files_full', ['most' => self::MOST]);
            }
            if ($asked->flag('leave')) {
                // First: what is in the zip is all there will be here.
                ($this->leave)($group, true);
            }
            $password = $asked->textOrNull('password');
            $file = KeptFile::begin($group, 'along', ['locked' => $password !== null, 'password' => $password === null ? null : Crypt::encryptString($password)]);
            ($this->start)($group, WriteFiles::class);

            return $file;
        });
    }

    /**
     * Begins to bring a file; what was begun before in the same place gives way to it.
     *
     * @param  ?Group  $group  null for an empty house
     */
    public function bring(?Group $group, int $bytes): KeptFile
    {
        return KeptFile::instead($group, 'given', ['bytes' => $bytes]);
    }

    public function part(KeptFile $file, Fields $part): void
    {
        $place = $part->whole('place');
        $bytes = Base64::read($part->text('data'), '/data');
        $due = min(KeptFile::PART, $file->bytes - $place * KeptFile::PART);
        if (strlen($bytes) !== $due) {
            throw $due < 1 ? Refusal::of('/place', $place, 'along.no_part') : Refusal::of('/data', strlen($bytes).' bytes', 'along.part_bytes', ['bytes' => $due]);
        }
        $file->put($place, $bytes);
    }

    /**
     * What was brought, on the disk for as long as it is looked at.
     *
     * @template Answer
     *
     * @param  callable(ReadZip): Answer  $look
     * @return Answer
     */
    public function read(KeptFile $file, ?string $password, callable $look): mixed
    {
        $path = storage_path("app/given-$file->id.zip");
        set_time_limit(self::SECONDS);
        try {
            File::put($path, '');
            chmod($path, 0600);
            foreach ($file->parts() as $part) {
                File::append($path, $part);
            }
            if (File::size($path) !== $file->bytes) {
                throw ReadZip::refused('along.zip_not_arrived');
            }

            return $look(ReadZip::open($path, $password));
        } finally {
            File::delete($path);
        }
    }
}
