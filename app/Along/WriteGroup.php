<?php

declare(strict_types=1);

namespace App\Along;

use App\Models\Group;
use Carbon\CarbonImmutable;
use Compadre\Core\Data\Json;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\File;
use RuntimeException;
use ZipArchive;

/**
 * Writes all that a group has into one zip (docs/formats.md), as it stood at one moment.
 */
final class WriteGroup
{
    public const FORMAT = 'compadre-group';

    public const VERSION = 1;

    /** Rows that are read at a time. */
    private const ROWS = 1000;

    /** @param  ?string  $password  locks the zip; only then the keys that sign come along */
    public function __invoke(Group $group, string $file, ?string $password): void
    {
        $folder = "$file.parts";
        File::ensureDirectoryExists($folder, 0700);
        try {
            // All tables as they were when the first was read.
            $tables = DB::transaction(fn (): array => $this->tables($group, $folder, $password !== null));
            File::put("$folder/manifest.json", Json::write([
                'format' => self::FORMAT, 'version' => self::VERSION, 'schema' => self::schema(), 'group' => ['id' => $group->id, 'name' => $group->name],
                'made_at' => CarbonImmutable::now()->toIso8601ZuluString(), 'keys' => $password !== null, 'tables' => $tables,
            ]));
            $this->zip($folder, array_keys($tables), "$file.new", $password);
            File::move("$file.new", $file);
        } finally {
            File::deleteDirectory($folder);
            File::delete("$file.new");
        }
    }

    /** How the tables are built: the name of what changed them last. */
    public static function schema(): string
    {
        $last = DB::table('migrations')->max('migration');

        return is_string($last) ? $last : '';
    }

    /** @return array<string, array{rows: int, sha256: string}> */
    private function tables(Group $group, string $folder, bool $withKeys): array
    {
        $people = DB::table('users')->whereIn('id', DB::table('memberships')->where('group_id', $group->id)->select('user_id'))->orderBy('id')->get(['id', 'name', 'email', 'created_at', 'updated_at']);
        $tables = ['users' => $this->write("$folder/users.ndjson", $people->map(static fn (object $row): array => (array) $row)->all())];
        foreach (array_keys(GroupTables::ALONG) as $table) {
            $rows = GroupTables::rows($table, $group->id)->select(GroupTables::columns($table))->lazy(self::ROWS)->map(fn (object $row): array => $this->along($table, (array) $row, $withKeys));
            $tables[$table] = $this->write("$folder/$table.ndjson", $rows);
        }

        return $tables;
    }

    /**
     * @param  array<string, mixed>  $row
     * @return array<string, mixed>
     */
    private function along(string $table, array $row, bool $withKeys): array
    {
        foreach (GroupTables::STAYS[$table] ?? [] as $column) {
            // Unlocked, to be locked with the key of the house that takes it in.
            $row[$column] = $withKeys && $table === 'signing_keys' && is_string($row[$column]) ? Crypt::decryptString($row[$column]) : null;
        }

        return $row;
    }

    /**
     * @param  iterable<array<string, mixed>>  $rows
     * @return array{rows: int, sha256: string}
     */
    private function write(string $file, iterable $rows): array
    {
        $stream = fopen($file, 'w') ?: throw new RuntimeException("$file cannot be written.");
        $hash = hash_init('sha256');
        $count = 0;
        foreach ($rows as $row) {
            $line = json_encode((object) $row, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION)."\n";
            hash_update($hash, $line);
            fwrite($stream, $line);
            $count++;
        }
        fclose($stream);

        return ['rows' => $count, 'sha256' => hash_final($hash)];
    }

    /** @param  list<string>  $tables */
    private function zip(string $folder, array $tables, string $file, ?string $password): void
    {
        $zip = new ZipArchive;
        if ($zip->open($file, ZipArchive::CREATE | ZipArchive::OVERWRITE) !== true) {
            throw new RuntimeException("$file cannot be written.");
        }
        if ($password !== null) {
            $zip->setPassword($password);
        }
        foreach (['manifest.json', ...array_map(static fn (string $table): string => "$table.ndjson", $tables)] as $name) {
            $zip->addFile("$folder/$name", $name);
            if ($password !== null) {
                $zip->setEncryptionName($name, ZipArchive::EM_AES_256);
            }
        }
        if (! $zip->close()) {
            throw new RuntimeException("$file cannot be written.");
        }
        chmod($file, 0600);
    }
}
